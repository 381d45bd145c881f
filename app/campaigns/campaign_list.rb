# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # The campaigns of one or all of a person's clients.
      class CampaignList
        MOST = 200

        # @param scope [Store::Scope] of the agency side
        # @return [Hash] JSON-ready
        def self.call(environment, scope)
          scope.transaction do
            today = Core::Plan::WallTime.at(environment.now, Store::Plan::Days.reader_zone(scope)).local_date
            found = Store::Campaigns::Facts.listed(scope, today, limit: MOST + 1)
            shown = found.first(MOST)
            stages = Store::Campaigns::Facts.stages(scope, shown.map { |row| row[:id] })
            {
              today: today,
              currencies: environment.db[:workspaces].where(id: scope.workspace_ids).select_hash(:id, :currency),
              cut: found.size > MOST,
              campaigns: shown.map { |row| json(row, stages.fetch(row[:id], {})) }
            }
          end
        end

        def self.json(row, stages)
          {
            **row.slice(:workspace_id, :id, :name, :goal),
            first: row[:first_day]&.iso8601,
            last: row[:last_day]&.iso8601,
            budget: row[:budget] && { minor: row[:budget], currency: row[:currency] },
            stages: stages
          }
        end
        private_class_method :json
      end
    end
  end
end
