# frozen_string_literal: true

module AskFirst
  module Store
    module People
      # Who is a member where, with which abilities. Ended memberships, those whose end date has passed, and clients
      # that were deleted do not exist here.
      module Members
        SEEN_EVERY = 300 # seconds
        ONE = {
          Sequel[:memberships][:person_id] => :$person,
          Sequel[:memberships][:workspace_id] => :$workspace
        }.freeze
        HERE = { Sequel[:memberships][:workspace_id] => Sequel.function(:any, :$workspaces) }.freeze
        private_constant :ONE, :HERE

        module_function

        # @param now [Time]
        # @return [Array<Hash>] memberships of a person with their workspace
        def of_person(db, person_id, now)
          Scope
            .of_person(db, person_id)
            .transaction do
              base(db, now).where(Sequel[:memberships][:person_id] => person_id).order(Sequel[:workspaces][:name]).all
            end
        end

        # One answer, by one query, for a workspace that is not there and one that the person is no member of.
        # @return [Hash, nil]
        def find(db, person_id, workspace_id, now)
          Scope
            .of_person(db, person_id)
            .transaction do
              Database
                .prepared(db, :member, :first) { base(db, :$now).where(ONE) }
                .call(person: person_id, workspace: workspace_id, now: now.utc.iso8601(6))
            end
        end

        # The same within a transaction of the workspace.
        # @param scope [Scope]
        # @return [Hash, nil]
        def one(scope, person_id, now)
          Database
            .prepared(scope.db, :member, :first) { base(scope.db, :$now).where(ONE) }
            .call(person: person_id, workspace: scope.workspace_id, now: now.utc.iso8601(6))
        end

        # @param scope [Scope]
        def of_workspace(scope, now)
          db = scope.db
          scope.transaction do
            Database
              .prepared(db, :members) { base(db, :$now).where(HERE).order(Sequel[:people][:name]) }
              .call(workspaces: Database.uuids(scope.workspace_ids), now: now.utc.iso8601(6))
          end
        end

        # Keeps when somebody was last here, every few minutes at most.
        def seen(scope, person_id, now)
          scope.transaction do
            scope
              .rows(:memberships)
              .where(person_id: person_id)
              .where(Sequel.|({ seen_at: nil }, Sequel[:seen_at] < now - SEEN_EVERY))
              .update(seen_at: now)
          end
        end

        # A membership that counts now.
        def current(now)
          Sequel.&(
            { Sequel[:memberships][:ended_at] => nil },
            Sequel.|({ Sequel[:memberships][:access_until] => nil }, Sequel[:memberships][:access_until] > now)
          )
        end

        def base(db, now)
          db[:memberships]
            .where(current(now))
            .join(:people, id: Sequel[:memberships][:person_id])
            .join(:roles, id: Sequel[:memberships][:role_id])
            .join(:workspaces, id: Sequel[:memberships][:workspace_id], deleted_at: nil)
            .join(:agencies, id: Sequel[:workspaces][:agency_id])
            .select(
              Sequel[:memberships][:workspace_id],
              Sequel[:memberships][:id].as(:membership_id),
              :person_id,
              Sequel[:memberships][:side],
              :title,
              :abilities,
              :since,
              :role_id,
              :limited,
              :access_until,
              :seen_at,
              Sequel[:memberships][:notices],
              Sequel[:memberships][:version],
              channels(db),
              Sequel[:people][:name].as(:name),
              :email,
              :is_owner,
              :leads_change_route,
              Sequel[:people][:picture],
              Sequel[:people][:zone].as(:person_zone),
              Sequel[:roles][:name].as(:role),
              Sequel[:workspaces][:name].as(:workspace_name),
              :initials,
              :logo,
              :edge,
              :setup_step,
              :figures_shared,
              :archived_at,
              Sequel[:workspaces][:zone].as(:workspace_zone),
              :week_start,
              :time_policy
            )
        end

        # The channels that a limited membership is limited to.
        def channels(db)
          own =
            db[:membership_channels].where(
              workspace_id: Sequel[:memberships][:workspace_id],
              membership_id: Sequel[:memberships][:id]
            )
          Sequel.function(:array, own.select(:channel_id)).as(:channel_ids)
        end
        private_class_method :channels
      end
    end
  end
end
