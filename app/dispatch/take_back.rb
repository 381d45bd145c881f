# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Takes a release back, as easily as it was given. Its yeses stay. What is in trouble and is known not to be out
      # comes back with it; what may be out stays until somebody has looked.
      class TakeBack < Act
        opens :post, "take_back", stand: true

        # @param adaptation_ids [Array<String>, nil] nil: all that are released, on the member's channels
        def call(post_id:, adaptation_ids: nil)
          chosen = choose(adaptation_ids)
          if chosen.empty?
            raise Core::Conflict.new(
                    "not_released",
                    "Nothing of this post is released.",
                    way_on: "Nothing has to be taken back."
                  )
          end

          require_on_channels!(chosen)
          going, chosen = chosen.partition { |adaptation| adaptation.sent? || may_be_out?(adaptation) }
          raise refusal(going.first) if chosen.empty?

          chosen.each do |one|
            TakingBack.call(
              environment,
              member,
              showing: one.showing,
              release_id: one.release[:id],
              channel: one.channel[:name]
            )
          end
          refresh_stage([post_id])
        end

        private

        def choose(ids)
          released = post.adaptations.select(&:release)
          ids ? released.select { |adaptation| ids.include?(adaptation.id) } : mine(released)
        end

        # What is being sent or is out is said below, for each in its own words.
        def require_on_channels!(adaptations)
          require_ability!("take_back", on: touching(channel_ids: adaptations.map { |one| one.row[:channel_id] }))
        end

        def may_be_out?(adaptation)
          adaptation.showing[:state] == "trouble" && adaptation.showing[:may_be_out]
        end

        def refusal(adaptation)
          if adaptation.sent?
            return(
              Core::Over.new("too_late", "Too late: it is being sent or is out.", way_on: "Look at it in Dispatch.")
            )
          end

          Core::Conflict.new(
            "may_be_out",
            "It may be out on #{adaptation.channel[:name]}, so it cannot simply be taken back.",
            way_on: "Look there, then say in Dispatch what you saw."
          )
        end
      end
    end
  end
end
