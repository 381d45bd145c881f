# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Reminds somebody of all that they were asked and have not answered, as it stands on the Desk.
      class NudgeAll < Act
        stepwise
        opens :client, "ask"

        MOST = 200 # asks

        # @param ask_ids [Array<String>] of asks that wait for the same person
        # @return [Array<String>] names of those who are reminded
        # @raise [Core::Conflict] nobody_waits, nudged_today
        # @raise [Core::TooMany]
        def call(ask_ids:)
          reading { enter }
          raise too_many if ask_ids.size > MOST

          Core::Signoff::Reminder
            .enough(asks(ask_ids))
            .flat_map { |ask| Nudge.call(kit, member, ask_id: ask[:id]) }
            .uniq
            .sort
        end

        private

        # In the order in which they were named; one that is not this reader's is not there.
        def asks(ids)
          reading { ids.uniq.map { |id| door.ask({ ask_id: id }, lock: false).row } }
        end

        def too_many
          Core::TooMany.new(
            "#{MOST} asks are the most.",
            of: "asks",
            field: "ask_ids",
            way_on: "Nudge them from their posts."
          )
        end
      end
    end
  end
end
