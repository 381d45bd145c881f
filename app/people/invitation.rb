# frozen_string_literal: true

module AskFirst
  module App
    module People
      # An invitation as whoever holds its link meets it. Opening the link changes nothing; it is accepted once.
      module Invitation
        module_function

        # @param token [String] the link's secret
        # @return [Hash] JSON-ready: who invites, to what, and whether this address has an account already
        # @raise [Core::Over] one answer for unknown, revoked and expired; another for accepted, to its holder alone
        def look(environment, token)
          row, workspace = find(environment, token)
          role = environment.db[:roles].where(id: row[:role_id]).first
          person = environment.db[:people].where(email: row[:email]).first
          {
            client: workspace[:name],
            initials: workspace[:initials],
            edge: workspace[:edge],
            agency: environment.db[:agencies].where(id: workspace[:agency_id]).get(:name),
            invited_by: environment.db[:people].where(id: row[:invited_by]).get(:name),
            role: role[:name],
            side: row[:side],
            email: row[:email],
            known: !person.nil?,
            signs_in: person ? environment.db[:account_password_hashes].where(id: person[:id]).any? : false,
            zone: workspace[:zone]
          }
        end

        # @return [Array(Hash, Hash)] the invitation's row and its workspace's
        def find(environment, token)
          digest = Signoff::CreatePass.digest(token.to_s)
          row =
            Store::Scope
              .of_secret(environment.db, digest)
              .transaction { environment.db[:invitations].where(digest: digest).first }
          raise over if row.nil? || row[:revoked_at]
          if row[:accepted_at]
            raise Core::Over.new(
                    "invitation_used",
                    "This invitation has been accepted already.",
                    way_on: "Sign in, or answer from the mails you get."
                  )
          end
          raise over if row[:expires_at] <= environment.now

          workspace =
            scope(environment, row).transaction do
              environment.db[:workspaces].where(id: row[:workspace_id], deleted_at: nil).first
            end or raise over
          [row, workspace]
        end

        def scope(environment, row)
          Store::Scope.new(environment.db, workspace_ids: row[:workspace_id], person_id: nil, side: row[:side])
        end

        def over
          Core::Over.new(
            "invitation_over",
            "This invitation no longer works.",
            way_on: "Ask whoever invited you for a new one."
          )
        end
      end
    end
  end
end
