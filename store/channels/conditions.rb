# frozen_string_literal: true

module AskFirst
  module Store
    module Channels
      # Channels with how their connections are, over one or many workspaces with one query.
      module Conditions
        module_function

        # @param scope [Scope]
        # @return [Array<Hash>] the channel's row with :condition (Core::Channels::Condition::Said) and :consent_by,
        # in order
        def of(scope, now)
          rows(scope).map { |row| row.merge(condition: condition(row, now)) }
        end

        def rows(scope)
          members =
            scope.db[:memberships].where(Sequel[:memberships][:ended_at] => nil).select(:workspace_id, :person_id)
          scope
            .rows(:channels)
            .where(archived_at: nil)
            .left_join(
              :connections,
              workspace_id: Sequel[:channels][:workspace_id],
              id: Sequel[:channels][:connection_id]
            )
            .left_join(:people, id: Sequel[:connections][:consent_by])
            .left_join(
              members.as(:here),
              workspace_id: Sequel[:channels][:workspace_id],
              person_id: Sequel[:connections][:consent_by]
            )
            .select_all(:channels)
            .select_append(
              :expires_at,
              :consent_until,
              :consent_by,
              Sequel[:people][:name].as(:consent_name),
              Sequel.~(refresh_token: nil).as(:renews),
              Sequel.~(Sequel[:here][:person_id] => nil).as(:consent_here)
            )
            .order(Sequel[:channels][:workspace_id], :position)
            .all
        end

        def condition(row, now)
          connection = row[:connection_id] && row.slice(:expires_at, :consent_until, :renews)
          Core::Channels::Condition.of(
            row,
            connection,
            now,
            consent_name: row[:consent_name],
            consent_here: row[:consent_by].nil? || row[:consent_here]
          )
        end
        private_class_method :rows, :condition
      end
    end
  end
end
