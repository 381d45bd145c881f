# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Takes a key date, or other work, out of a client's plan.
      class RemoveKeyDate < Act
        opens :key_date, "plan_dates"

        # @param date_id [String]
        def call(date_id:)
          rows(:key_dates).where(id: date_id).delete
          record("key_date_dropped", facts: { name: row[:name], first: row[:first_day].iso8601 })
          announce("plan", ids: [])
        end
      end
    end
  end
end
