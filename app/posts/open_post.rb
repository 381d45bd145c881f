# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Opens sealed adaptations to change them. What that costs was said before (Queries::PostSheet gives it): open asks
      # for them are withdrawn, releases end, and yeses will not count on other content.
      class OpenPost < Act
        # @param adaptation_ids [Array<String>]
        def call(post_id:, adaptation_ids:)
          write do
            post = locked([post_id]).fetch(post_id)
            require_ability!("open")
            chosen = adaptation_ids.map { |id| post.adaptation(id) or raise Core::NotFound, "This channel of the post" }
            require_ability!("open", on: touching(channel_ids: chosen.map { |adaptation| adaptation.row[:channel_id] }))
            chosen.each { |adaptation| open_one(post, adaptation) }
            restage([post_id])
          end
        end

        private

        def open_one(post, adaptation)
          if adaptation.verdict.sending? || adaptation.showing&.fetch(:state) == "out"
            raise Core::Over.new("too_late", "#{adaptation.channel[:name]}: too late, it is being sent or is out.", way_on: "Make a new post.")
          end
          return if adaptation.facts.opened

          Signoff::EndLines.call(kit, member, adaptation_ids: [adaptation.id], as: "withdrawn")
          scope.insert(:openings, { id: new_id, post_id: post.id, adaptation_id: adaptation.id, opened_by: member.person_id, opened_at: now })
          record("opened", post_id: post.id, adaptation_id: adaptation.id, facts: { channel: adaptation.channel[:name] })
        end
      end
    end
  end
end
