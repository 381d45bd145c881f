# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The one switch that stops everything of a client from going out, at once, with a reason.
      class Hold < Act
        opens :channel, "hold", whole: "hold_all", locks: :client

        # @param channel_id [String, nil] only this channel
        # @return [String] the hold's id
        def call(reason:, channel_id: nil)
          why = Core::Posts::Text.clean(reason, field: "reason", limit: Core::Lengths::REASON).strip
          if why.empty?
            raise Core::Invalid.new(
                    "words_needed",
                    "A hold needs its reason.",
                    field: "reason",
                    way_on: "Say why; everybody here will see it."
                  )
          end

          raise held_already if rows(:holds).where(channel_id: channel_id, lifted_at: nil).any?

          id = new_id
          scope.insert(:holds, { id: id, channel_id: channel_id, reason: why, put_by: member.person_id, put_at: now })
          record("held", facts: { reason: why, channel: channel_id })
          refresh_stage(Store::Dispatch::Unsent.post_ids(scope, channel_id))
          words = "Do not publish it now, #{member.name} has put it on hold: #{why}"
          Dispatch::TellPublishers.call(environment, member, channel_id: channel_id, words: words)
          id
        end

        private

        def held_already
          Core::Conflict.new("held_already", "This is on hold already.", way_on: "Lift that hold first.")
        end
      end
    end
  end
end
