# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Opens sealed adaptations to change them. What that costs was said before (PostSheet gives it): open asks
      # for them are withdrawn, releases end, and yeses will not count on other content.
      class OpenPost < Act
        opens :post, "open", stand: true

        # @param adaptation_ids [Array<String>]
        def call(post_id:, adaptation_ids:)
          chosen = adaptation_ids.map { |id| post.adaptation(id) or raise Core::NotFound, "This channel of the post" }
          require_on!(chosen)
          chosen.reject { |adaptation| adaptation.facts.opened }.each { |adaptation| open_one(adaptation) }
          refresh_stage([post_id])
        end

        private

        def open_one(adaptation)
          Signoff::EndLines.call(environment, member, adaptation_ids: [adaptation.id], as: "withdrawn")
          scope.insert(
            :openings,
            { id: new_id, post_id: post.id, adaptation_id: adaptation.id, opened_by: member.person_id, opened_at: now }
          )
          record(
            "opened",
            post_id: post.id,
            adaptation_id: adaptation.id,
            facts: {
              channel: adaptation.channel[:name]
            }
          )
        end
      end
    end
  end
end
