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
        # @raise [Core::Conflict] nobody_waits, nudged_today: where nobody was reminded of any of them
        # @raise [Core::TooMany]
        def call(ask_ids:)
          reading { enter }
          raise too_many if ask_ids.size > MOST

          refusals = []
          reminded = Core::Signoff::Reminder.enough(asks(ask_ids)).flat_map { |ask| nudge(ask, refusals) }
          raise refusals.first if reminded.empty?

          reminded.uniq.sort
        end

        private

        # An ask of which nobody is to be reminded now does not stop the others.
        def nudge(ask, refusals)
          Nudge.call(environment, member, ask_id: ask[:id])
        rescue Core::Conflict => e
          refusals << e
          []
        end

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
