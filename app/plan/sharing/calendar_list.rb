# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Somebody's own calendar addresses that work, without their secrets, which nobody has any more.
      class CalendarList < AgencyAct
        # @return [Array<Hash>] JSON-ready
        def call
          db[:private_calendars]
            .where(person_id: person.person_id, revoked_at: nil)
            .order(:made_at)
            .select(:id, :workspace_id, :name, :narrowing, :made_at, :read_at)
            .map { |row| row.merge(made_at: row[:made_at].iso8601, read_at: row[:read_at]&.iso8601) }
        end
      end
    end
  end
end
