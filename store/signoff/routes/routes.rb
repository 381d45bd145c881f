# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # The routes of a client, and their steps as core values with the people who may answer. A step keeps its row as
      # long as it demands the same; where it demands something else, another takes its place, and the first stays in
      # the demand of the posts that were asked for it.
      module Routes
        # A step that demands the same: a yes that was given to it is a yes to this one. Of a step for each of some
        # people they are part of what it demands.
        SAME = %i[side quorum n required four_eyes condition].freeze
        PEOPLE = <<~SQL
          ARRAY(
            SELECT p.person_id FROM route_step_people p
            JOIN memberships m ON (m.workspace_id, m.person_id) = (p.workspace_id, p.person_id) AND m.ended_at IS NULL
            WHERE (p.workspace_id, p.step_id) = (s.workspace_id, s.id)
            UNION
            SELECT m.person_id FROM route_step_roles r
            JOIN memberships m ON (m.workspace_id, m.role_id) = (r.workspace_id, r.role_id) AND m.ended_at IS NULL
            WHERE (r.workspace_id, r.step_id) = (s.workspace_id, s.id)
            ORDER BY 1)
        SQL
        ROLES = <<~SQL
          ARRAY(SELECT role_id FROM route_step_roles
            WHERE (workspace_id, step_id) = (s.workspace_id, s.id) ORDER BY 1)
        SQL
        private_constant :SAME

        module_function

        def by_ids(scope, ids)
          ids.empty? ? [] : steps(scope, { id: ids })
        end

        # @return [Array<Core::Signoff::Step>] of the route that every post passes
        def today(scope)
          of(scope, scope.rows(:routes).where(is_default: true).select(:id))
        end

        # @return [Array<Core::Signoff::Step>] that stand in any route
        def live(scope)
          of(scope, scope.rows(:routes).where(archived_at: nil).select(:id))
        end

        def of(scope, route_ids)
          steps(scope, { retired_at: nil, route_id: route_ids })
        end

        def steps(scope, which)
          scope
            .rows(:route_steps)
            .from_self(alias: :s)
            .where(which)
            .order(:route_id, :position)
            .select_all(:s)
            .select_append(Sequel.lit(PEOPLE).as(:people), Sequel.lit(ROLES).as(:roles))
            .map { |row| step(row, row[:people].to_a, row[:roles].to_a) }
        end

        # @param row [Hash] of route_steps
        # @param people [Array<String>] ids of those who may answer
        # @param roles [Array<String>]
        def step(row, people, roles)
          Core::Signoff::Step.new(
            **row.slice(:id, :position, :name, :side, :quorum, :n, :required, :four_eyes),
            hours: row[:hours].to_f,
            people: people,
            roles: roles,
            condition: Core::Signoff::Condition.stored(row[:condition])
          )
        end

        # Adds a route.
        # @param steps [Array<Hash>] {name:, side:, quorum:, n:, people: [person ids], roles: [role ids], hours:,
        #   required:, four_eyes:, condition:}
        # @param is_default [Boolean] whether all posts pass it that have no other
        # @param about [Hash] name, releases_itself, locks_time, preset
        # @return [String] its id
        def add(scope, steps, now, is_default: true, **about)
          id = Core::Uuid.v7(now)
          scope.insert(:routes, { id: id, name: "Our route", is_default: is_default, preset: nil }.merge(about))
          steps.each_with_index { |step, position| add_step(scope, id, step, position, now) }
          id
        end

        # Puts other steps in the place of a route's.
        # @param steps [Array<Hash>] as of `add`, with the ids of those that stand already
        # @return [Array<String>] ids of the steps that are no longer part of it
        def change(scope, route_id, steps, now, **about)
          before = of(scope, [route_id])
          staying = steps.to_h { |step| [step, before.find { |one| one.id == step[:id] && same?(one, step) }] }
          retired = before.map(&:id) - staying.values.compact.map(&:id)
          scope.rows(:route_steps).where(id: retired).update(retired_at: now)
          steps.each_with_index do |step, position|
            one = staying[step]
            one ? keep_step(scope, one.id, step, position) : add_step(scope, route_id, step, position, now)
          end
          scope.rows(:routes).where(id: route_id).update(version: Sequel[:version] + 1, **about)
          retired
        end

        # @param one [Core::Signoff::Step]
        # @param step [Hash]
        def same?(one, step)
          SAME.all? { |name| one[name] == step[name] } && (one.quorum != "all" || named(one) == named(step))
        end

        def named(step) = [step[:roles].to_a.sort, step[:roles].to_a.empty? ? step[:people].sort : []]

        def keep_step(scope, id, step, position)
          scope.rows(:route_steps).where(id: id).update(position: position, name: step[:name], hours: step[:hours])
          scope.rows(:route_step_people).where(step_id: id).delete
          scope.rows(:route_step_roles).where(step_id: id).delete
          name_people(scope, id, step)
        end

        def add_step(scope, route_id, step, position, now)
          id = Core::Uuid.v7(now)
          kept = step.slice(:name, :side, :quorum, :n, :hours, :required, :four_eyes)
          condition = step[:condition] && Database.jsonb(step[:condition].to_h)
          base = { id: id, route_id: route_id, position: position, required: true, four_eyes: true, n: nil }
          scope.insert(:route_steps, base.merge(kept, condition: condition))
          name_people(scope, id, step)
        end

        def name_people(scope, id, step)
          scope.insert(:route_step_people, *step[:people].map { |person| { step_id: id, person_id: person } })
          scope.insert(:route_step_roles, *step[:roles].to_a.map { |role| { step_id: id, role_id: role } })
        end
        private_class_method :named, :keep_step, :add_step, :name_people
      end
    end
  end
end
