# frozen_string_literal: true

require "argon2"

module AskFirst
  module App
    module People
      # Accepts an invitation, once. Somebody new gives a name, and on the agency side a password; somebody who signs
      # in here already accepts as who they are signed in as.
      module AcceptInvitation
        module_function

        # @param signed_in [String, nil] person id
        # @return [Hash] {person_id:, workspace_id:, side:}
        def call(
          environment,
          token,
          name: nil,
          password: nil,
          zone: nil,
          signed_in: nil,
          from: nil,
          cost: AddPerson::COST
        )
          row, workspace = Invitation.find(environment, token)
          scope = Invitation.scope(environment, row)
          scope.transaction do
            claim(scope, row, environment.now)
            person =
              known_person(environment, row, signed_in, password, cost) ||
                make(environment, row, workspace, name: name, password: password, zone: zone, cost: cost)
            if join(scope, row, person, environment.now)
              environment.queue.refresh_asked(row[:workspace_id], person, at: environment.now)
            end
            scope.rows(:invitations).where(id: row[:id]).update(accepted_at: environment.now, accepted_by: person)
            Store::Record::Rows.add(
              scope,
              now: environment.now,
              who: {
                person_id: person,
                from_address: from
              },
              act: "invitation_accepted",
              facts: {
                email: row[:email]
              }
            )
            workspace_id = row[:workspace_id]
            Live.announce(
              environment,
              workspace_id,
              { what: "people", ids: [] },
              Store::People::Subscribers.of(scope, [], environment.now)
            )
            { person_id: person, workspace_id: workspace_id, side: row[:side] }
          end
        end

        # Two that come at once meet here: the second finds it accepted.
        def claim(scope, row, now)
          locked = scope.rows(:invitations).where(id: row[:id]).for_update.first
          if locked[:accepted_at]
            raise Core::Over.new(
                    "invitation_used",
                    "This invitation has been accepted already.",
                    way_on: "Sign in, or answer from the mails you get."
                  )
          end
          raise Invitation.over if locked[:revoked_at] || locked[:expires_at] <= now
        end

        # Whoever answered by link until now has no password yet; on the agency side they choose one here.
        def known_person(environment, row, signed_in, password, cost)
          person = environment.db[:people].where(email: row[:email]).first or return
          return person[:id] if signed_in == person[:id]

          if environment.db[:account_password_hashes].where(id: person[:id]).empty?
            give_password(environment, person, row, password, cost) if row[:side] == "agency"
            return person[:id]
          end

          raise Core::Conflict.new(
                  "sign_in_first",
                  signed_in ? "You are signed in as somebody else." : "There is an account for #{row[:email]} already.",
                  way_on: "Sign in as #{row[:email]}, then accept.",
                  field: "email"
                )
        end

        def give_password(environment, person, row, password, cost)
          require_good!(password, row, person[:name])
          environment.db[:account_password_hashes].insert(
            id: person[:id],
            password_hash: Argon2::Password.new(**cost).create(password)
          )
        end

        def require_good!(password, row, name)
          problem = Core::People::Password.problem(password.to_s, email: row[:email], name: name.to_s)
          if problem
            raise Core::Invalid.new(
                    "bad_password",
                    problem,
                    field: "password",
                    way_on: "Take a few words that only you put together."
                  )
          end
        end

        def make(environment, row, workspace, name:, password:, zone:, cost:)
          require_good!(password, row, name) if row[:side] == "agency"
          at = zone || workspace[:zone]
          Core::Plan::WallTime.timezone(at)
          AddPerson.call(
            environment,
            agency_id: workspace[:agency_id],
            name: name,
            email: row[:email],
            zone: at,
            password: row[:side] == "agency" ? password : nil,
            cost: cost
          )
        end

        # Somebody who was here before comes back to their own membership, on the side that they had.
        # @return [Boolean] whether they were
        def join(scope, row, person, now)
          old = scope.rows(:memberships).where(person_id: person).first
          if old && old[:side] != row[:side]
            raise Core::Conflict.new(
                    "other_side",
                    "This person was here on the other side, and a membership never changes its side.",
                    way_on: "Ask whoever invited you to use another address."
                  )
          end

          values = {
            role_id: row[:role_id],
            title: row[:title],
            limited: row[:limited],
            access_until: row[:access_until]
          }
          id = old ? old[:id] : Core::Uuid.v7(now)
          if old
            scope
              .rows(:memberships)
              .where(id: id)
              .update(values.merge(ended_at: nil, ended_by: nil, version: Store::Database.one_more(:version)))
            scope.rows(:membership_channels).where(membership_id: id).delete
          else
            scope.insert(:memberships, values.merge(id: id, person_id: person, side: row[:side], since: now))
          end
          ids = scope.rows(:invitation_channels).where(invitation_id: row[:id]).select_map(:channel_id)
          scope.insert(:membership_channels, *ids.map { |channel| { membership_id: id, channel_id: channel } })
          !old.nil?
        end
      end
    end
  end
end
