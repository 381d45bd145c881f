# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # Steps of routes as core values, with the people who may answer.
      module Routes
        module_function

        def by_ids(scope, ids)
          ids.empty? ? [] : steps(scope, scope.rows(:route_steps).where(id: ids))
        end

        def steps(scope, dataset)
          found = dataset.order(:position).all
          people = scope.rows(:route_step_people).where(step_id: found.map { |row| row[:id] })
                        .join(:memberships, workspace_id: :workspace_id, person_id: Sequel[:route_step_people][:person_id])
                        .where(ended_at: nil).select_hash_groups(:step_id, Sequel[:route_step_people][:person_id])
          found.map { |row| step(row, people.fetch(row[:id], []).sort) }
        end

        # @param row [Hash] of route_steps
        # @param people [Array<String>] ids of those who may answer
        def step(row, people)
          Core::Signoff::Step.new(**row.slice(:id, :position, :name, :side, :quorum, :n, :required, :four_eyes), hours: row[:hours].to_f,
            people: people)
        end
      end
    end
  end
end
