# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Discards a draft: it stands in no list but that of the discarded, from which whoever may discard it restores it.
      class DiscardPost < Act
        opens :post, "discard", stand: true, whole: true

        # @param post [Store::Posts::PostState::Post]
        # @return [Core::Error, nil] why it cannot be discarded, for this act and for the page that offers it
        def self.refusal(post)
          if post.adaptations.any?(&:sent?)
            Core::Over.new(
              "too_late",
              "It is being sent or is out, and stays on record.",
              way_on: "Look at it in Dispatch."
            )
          elsif post.adaptations.any?(&:release)
            Core::Conflict.new("released", "It is released.", way_on: "Cancel the release first.")
          elsif post.adaptations.any? { |one| asked_for?(one) }
            Core::Conflict.new("asked_for", "A yes is asked for.", way_on: "Withdraw the ask first.")
          elsif !%w[drafting changes_wanted].include?(post.stage)
            Core::Conflict.new("not_a_draft", "It is not a draft any more.", way_on: "Unlock it first.")
          end
        end

        def self.asked_for?(adaptation)
          adaptation.verdict.steps.any?(&:open_ask)
        end

        def call(post_id:)
          refusal = self.class.refusal(post) and raise refusal
          refresh_stage([post_id]) if post.row[:stage] != post.stage
          announce("posts", ids: [post_id]) # to those who see it still
          gone = Store::Posts::Discarded.discard(scope, post_id, now)
          raise Core::Conflict.new("asked_for", "A yes is asked for.", way_on: "Withdraw the ask first.") unless gone

          record("post_discarded", post_id: post_id, facts: { subject: post.row[:subject] })
        end
      end
    end
  end
end
