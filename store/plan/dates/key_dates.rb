# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # Key dates and other work of clients, on their days.
      module KeyDates
        module_function

        # @param scope [Scope]
        # @param span [Range<Date>]
        # @return [Array<Hash>] JSON-ready, each time that one of them is: in the order of their days
        def between(scope, span)
          last = Sequel[:key_dates][:last_day]
          scope
            .rows(:key_dates)
            .where { first_day <= span.last }
            .where(Sequel.|(Sequel[:key_dates][:yearly], last >= span.first))
            .all
            .flat_map { |row| of(row).within(span).map { |days| json(row, days) } }
            .sort_by { |one| one.values_at(:first, :last, :name) }
        end

        # @param row [Hash]
        # @return [Core::Plan::KeyDate]
        def of(row)
          Core::Plan::KeyDate.new(
            kind: row[:kind],
            name: row[:name],
            days: row[:first_day]..row[:last_day],
            yearly: row[:yearly]
          )
        end

        # @param days [Range<Date>] when it is this time
        def json(row, days)
          {
            **row.slice(:workspace_id, :id, :kind, :name, :yearly, :version),
            first: days.first.iso8601,
            last: days.last.iso8601,
            since: row[:first_day].iso8601
          }
        end
        private_class_method :json
      end
    end
  end
end
