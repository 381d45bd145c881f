# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # What the house noted for a month of a client.
      module MonthNotes
        EMPTY = { note: "", version: 0 }.freeze

        module_function

        # @param scope [Scope]
        # @param month [Date] its first day
        # @return [Hash] row; EMPTY where nobody wrote one
        def of(scope, month)
          scope.rows(:month_notes).where(month: month).first || EMPTY
        end

        # @param months [Array<Date>] first days
        # @return [Array<Hash>] JSON-ready, those that were written
        def between(scope, months)
          scope
            .rows(:month_notes)
            .where(month: months)
            .order(:month)
            .map { |row| { workspace_id: row[:workspace_id], month: row[:month].strftime("%Y-%m"), **text(row) } }
        end

        def text(row) = row.slice(:note, :version)
      end
    end
  end
end
