# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Makes a client workspace with its first members and its sign-off route, in one go. The guided set-up makes it
      # with nobody but its maker and the owners, and fills the rest step by step.
      module SetUp
        module_function

        # @param members [Array<Hash>] {person_id:, role:, title:}; role by its name
        # @param steps [Array<Hash>] as of Signoff::ChangeRoute
        # @param by [String] person id of who sets it up
        # @param setup_step [String, nil] where the guided set-up goes on; nil when it is done
        # @return [String] the workspace's id
        def call(
          environment,
          agency_id:,
          name:,
          initials:,
          edge:,
          zone:,
          members:,
          steps:,
          by:,
          week_start: 1,
          time_policy: "local_date",
          holidays: "",
          setup_step: nil,
          from: nil
        )
          facts =
            Core::Clients::Identity.clean(
              name: name,
              initials: initials,
              edge: edge,
              zone: zone,
              week_start: week_start,
              time_policy: time_policy,
              holidays: holidays
            )
          now = environment.now
          id = Core::Uuid.v7(now)
          scope = Store::Scope.new(environment.db, workspace_ids: id, person_id: by, side: "agency")
          scope.transaction do
            environment.db[:workspaces].insert(
              facts.merge(id: id, agency_id: agency_id, setup_step: setup_step, created_at: now)
            )
            add_members(scope, agency_id, members, now)
            Store::Signoff::Routes.add(scope, steps, now)
            Store::Record::Rows.add(
              scope,
              now: now,
              who: {
                person_id: by,
                from_address: from
              },
              act: "workspace_made",
              facts: {
                name: name
              }
            )
            Store::Record::AgencyRows.add(
              environment.db,
              agency_id,
              now: now,
              who: {
                person_id: by,
                from_address: from
              },
              act: "client_made",
              facts: {
                name: facts[:name],
                client: id
              }
            )
          end
          id
        end

        # The agency's owners are members everywhere.
        def add_members(scope, agency_id, members, now)
          roles = scope.db[:roles].where(agency_id: agency_id).to_hash(:name)
          owners =
            scope.db[:people]
              .where(agency_id: agency_id, is_owner: true)
              .select_map(:id)
              .map { |id| { person_id: id, role: "agency owner" } }
          all = (owners + members).uniq { |member| member[:person_id] }
          scope.insert(
            :memberships,
            *all.map do |member|
              role = roles.fetch(member[:role])
              {
                id: Core::Uuid.v7(now),
                person_id: member[:person_id],
                side: role[:side],
                role_id: role[:id],
                title: member.fetch(:title, ""),
                since: now
              }
            end
          )
        end
      end
    end
  end
end
