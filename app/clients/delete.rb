# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Deletes a client: nobody sees it from now on, nothing goes out. For 14 days an owner can restore it; then it
      # is gone.
      class Delete < Act
        opens :client, "delete_client", locks: :client

        GRACE_DAYS = 14

        # @param typed [String] the client's name, typed by whoever deletes it
        def call(typed:)
          if typed.to_s.strip != workspace[:name]
            raise Core::Invalid.new(
                    "name_differs",
                    "The name you typed is not “#{workspace[:name]}”.",
                    field: "name",
                    way_on: "Type it exactly as it is written."
                  )
          end

          Archive.call(environment, member, out: false)
          environment.db[:workspaces].where(id: member.workspace_id).update(
            deleted_at: now,
            deleted_by: member.person_id
          )
          record("client_deleted")
          Store::Record::AgencyRows.add(
            environment.db,
            workspace[:agency_id],
            now: now,
            who: member.on_record,
            act: "client_deleted",
            facts: {
              name: workspace[:name],
              client: member.workspace_id,
              gone_at: (now + (GRACE_DAYS * 86_400)).iso8601
            }
          )
          environment.queue.purge_client(member.workspace_id, at: now + (GRACE_DAYS * 86_400) + 1)
          announce("settings", ids: [])
        end
      end
    end
  end
end
