# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Sets up a client workspace with its members and its sign-off route.
      module SetUp
        module_function

        # @param members [Array<Hash>] {person_id:, role:, title:}; role by its name
        # @param steps [Array<Hash>] {name:, side:, quorum:, n:, people: [person ids], hours:, required:, four_eyes:}
        # @param by [String] person id of who sets it up; one of the members
        # @return [String] the workspace's id
        def call(kit, agency_id:, name:, mark:, edge:, zone:, week_start:, members:, steps:, by:, time_policy: "local_date")
          Core::Plan::WallTime.timezone(zone)
          now = kit.now
          id = Core::Uuid.v7(now)
          scope = Store::Scope.new(kit.db, workspace_ids: id, person_id: by, side: "agency")
          scope.transaction do
            kit.db[:workspaces].insert(id: id, agency_id: agency_id, name: name, mark: mark, edge: edge, zone: zone, week_start: week_start,
              time_policy: time_policy, created_at: now)
            add_members(scope, agency_id, members, now)
            add_route(scope, steps, now)
            Store::Record::Rows.add(scope, now: now, who: { person_id: by }, act: "workspace_made", facts: { name: name })
          end
          id
        end

        def add_members(scope, agency_id, members, now)
          roles = scope.db[:roles].where(agency_id: agency_id).to_hash(:name)
          scope.insert(:memberships, *members.map do |member|
            role = roles.fetch(member[:role])
            { id: Core::Uuid.v7(now), person_id: member[:person_id], side: role[:side], role_id: role[:id], title: member.fetch(:title, ""), since: now }
          end)
        end

        def add_route(scope, steps, now)
          route_id = Core::Uuid.v7(now)
          scope.insert(:routes, { id: route_id, name: "Our route", is_default: true })
          steps.each_with_index do |step, position|
            id = Core::Uuid.v7(now)
            scope.insert(:route_steps,
              { id: id, route_id: route_id, position: position, required: true, four_eyes: true,
                n: nil }.merge(step.slice(:name, :side, :quorum, :n, :hours, :required, :four_eyes)))
            scope.insert(:route_step_people, *step[:people].map { |person| { step_id: id, person_id: person } })
          end
        end
      end
    end
  end
end
