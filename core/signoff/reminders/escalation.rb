# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # When somebody is told that an answer is missing, in the client's working time: those who are asked at half of
      # the time that they have, the asker when it is over, whoever leads the client a while after. None of this ever
      # says yes. The hours after are common practice, no source.
      module Escalation
        AFTER = 4 * 60 # working minutes past the due time
        Times = Struct.new(:remind_at, :escalate_at, keyword_init: true)

        module_function

        # @param working_time [Plan::WorkingTime] the client's
        # @param asked_at [Time]
        # @param due_at [Time] after it
        # @return [Times]
        def of(working_time, asked_at, due_at)
          minutes = working_time.between(asked_at, due_at)
          # half of the minutes until the due time are over before it
          remind = minutes.positive? ? working_time.add(asked_at, minutes / 2) : due_at
          Times.new(remind_at: remind, escalate_at: working_time.add(due_at, AFTER))
        end
      end
    end
  end
end
