# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # Steps of routes as core values, with the people who may answer. A route is never changed: another takes its
      # place, and the steps that were asked stay in the demand of their posts.
      module Routes
        module_function

        def by_ids(scope, ids)
          ids.empty? ? [] : steps(scope, scope.rows(:route_steps).where(id: ids))
        end

        # @return [Array<Core::Signoff::Step>] of the route that stands today
        def today(scope)
          steps(
            scope,
            scope.rows(:route_steps).where(route_id: scope.rows(:routes).where(is_default: true).select(:id))
          )
        end

        def steps(scope, dataset)
          found = dataset.order(:position).all
          people =
            scope
              .rows(:route_step_people)
              .where(step_id: found.map { |row| row[:id] })
              .join(:memberships, workspace_id: :workspace_id, person_id: Sequel[:route_step_people][:person_id])
              .where(ended_at: nil)
              .select_hash_groups(:step_id, Sequel[:route_step_people][:person_id])
          found.map { |row| step(row, people.fetch(row[:id], []).sort) }
        end

        # @param row [Hash] of route_steps
        # @param people [Array<String>] ids of those who may answer
        def step(row, people)
          Core::Signoff::Step.new(
            **row.slice(:id, :position, :name, :side, :quorum, :n, :required, :four_eyes),
            hours: row[:hours].to_f,
            people: people
          )
        end

        # Adds a route that stands from now on.
        # @param steps [Array<Hash>] {name:, side:, quorum:, n:, people: [person ids], hours:, required:, four_eyes:}
        # @return [String] its id
        def add(scope, steps, now, preset: nil)
          id = Core::Uuid.v7(now)
          scope.rows(:routes).where(is_default: true).update(is_default: false)
          scope.insert(:routes, { id: id, name: "Our route", is_default: true, preset: preset })
          steps.each_with_index { |step, position| add_step(scope, id, step, position, now) }
          id
        end

        def add_step(scope, route_id, step, position, now)
          id = Core::Uuid.v7(now)
          kept = step.slice(:name, :side, :quorum, :n, :hours, :required, :four_eyes)
          scope.insert(
            :route_steps,
            { id: id, route_id: route_id, position: position, required: true, four_eyes: true, n: nil }.merge(kept)
          )
          scope.insert(:route_step_people, *step[:people].map { |person| { step_id: id, person_id: person } })
        end
      end
    end
  end
end
