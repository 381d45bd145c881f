# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # An owner brings a deleted client back within its days of grace. It comes back archived.
      class Restore < AgencyAct
        def call(workspace_id:)
          require_ability!("agency_own")
          raise Core::NotFound, "This client" unless Core::Uuid::FORMAT.match?(workspace_id.to_s)

          one = Store::Scope.new(db, workspace_ids: workspace_id, person_id: person.person_id, side: "agency")
          one.transaction do
            row =
              db[:workspaces]
                .where(id: workspace_id, agency_id: person.agency_id)
                .exclude(deleted_at: nil)
                .for_update
                .first or raise Core::NotFound, "This client"
            db[:workspaces].where(id: workspace_id).update(deleted_at: nil, deleted_by: nil)
            Store::Record::Rows.add(
              one,
              now: now,
              who: person.on_record.merge(pass_id: nil, process: nil),
              act: "client_restored"
            )
            record("client_restored", name: row[:name], client: workspace_id)
          end
        end
      end
    end
  end
end
