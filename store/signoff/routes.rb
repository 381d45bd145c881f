# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # Steps of routes as core values, with the people who may answer.
      module Routes
        module_function

        # @return [Array<Core::Signoff::Step>] of the workspace's default route
        def today(scope)
          steps(scope, scope.rows(:route_steps).where(route_id: scope.rows(:routes).where(is_default: true).select(:id)))
        end

        def by_ids(scope, ids)
          ids.empty? ? [] : steps(scope, scope.rows(:route_steps).where(id: ids))
        end

        def steps(scope, dataset)
          found = dataset.order(:position).all
          people = scope.rows(:route_step_people).where(step_id: found.map { |row| row[:id] })
                        .join(:memberships, workspace_id: :workspace_id, person_id: Sequel[:route_step_people][:person_id])
                        .where(ended_at: nil).select_hash_groups(:step_id, Sequel[:route_step_people][:person_id])
          found.map do |row|
            Core::Signoff::Step.new(**row.slice(:id, :position, :name, :side, :quorum, :n, :required, :four_eyes),
                                    hours: row[:hours].to_f, people: people.fetch(row[:id], []).sort)
          end
        end
      end
    end
  end
end
