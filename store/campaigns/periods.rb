# frozen_string_literal: true

module AskFirst
  module Store
    module Campaigns
      # When campaigns run.
      module Periods
        MOST = 300 # shown at once

        module_function

        # @param scope [Scope]
        # @param span [Range<Date>]
        # @return [Array<Hash>] JSON-ready: those that run on one of these days, by their first
        def between(scope, span)
          scope
            .rows(:campaigns)
            .where { first_day <= span.last }
            .where { last_day >= span.first }
            .order(:first_day, Sequel.function(:lower, :name))
            .limit(MOST)
            .map { |row| json(row) }
        end

        def json(row)
          days = { first: row[:first_day].iso8601, last: row[:last_day].iso8601 }
          row.slice(:workspace_id, :id, :name).merge(days)
        end
        private_class_method :json
      end
    end
  end
end
