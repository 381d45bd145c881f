# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # A person comes back from a network. Only who began may finish, once, within minutes. The accounts that they
      # consented to are kept until they have ticked which to add.
      module FinishConnect
        module_function

        # @param state [String] as we gave it to the network
        # @param code [String, nil] for the tokens
        # @param error [String, nil] the network's word for "no"
        # @return [Hash] {workspace_id:, try_id:}
        def call(environment, person_id, state:, code: nil, error: nil)
          try = claim(environment, person_id, state)
          scope =
            Store::Scope.new(environment.db, workspace_ids: try[:workspace_id], person_id: person_id, side: "agency")
          require_still!(environment, try)
          refuse(environment, scope, try, error) if error || code.to_s.empty?

          grant =
            environment.consent.exchange(
              try[:network_address],
              code: code,
              verifier: environment.secrets.open(try[:verifier])
            )
          keep(environment, scope, try, grant)
          { workspace_id: try[:workspace_id], try_id: try[:id] }
        rescue Core::Channels::SaidNo => e
          record(environment, scope, try, "connect_refused", why: e.message)
          raise
        end

        # Somebody who left meanwhile, or may not any more, brings nothing in.
        def require_still!(environment, try)
          row = Store::People::Members.find(environment.db, try[:person_id], try[:workspace_id], environment.now) or
            raise over
          member = Member.from_row(row)
          touched =
            if try[:channel_id]
              Core::Permissions::Touched.new(channel_ids: [try[:channel_id]])
            else
              Core::Permissions::Touched::NOTHING
            end
          Core::Permissions::Decision.for(member, try[:channel_id] ? "connect" : "add_channel", on: touched).require!
        end

        # Once: whoever comes second, or with somebody else's state, finds nothing.
        def claim(environment, person_id, state)
          digest = BeginConnect.digest(state)
          found =
            Store::Scope
              .of_secret(environment.db, digest)
              .transaction { environment.db[:connect_tries].where(state_digest: digest).first }
          raise over unless found && found[:person_id] == person_id && found[:expires_at] > environment.now

          scope =
            Store::Scope.new(environment.db, workspace_ids: found[:workspace_id], person_id: person_id, side: "agency")
          done =
            scope.transaction do
              scope.rows(:connect_tries).where(id: found[:id], ended_at: nil).update(ended_at: environment.now)
            end
          raise over if done.zero?

          found
        end

        def refuse(environment, scope, try, error)
          record(environment, scope, try, "connect_refused", why: error.to_s[0, 100])
          sentence =
            if error == "access_denied"
              "You did not allow it at #{try[:network]}, so nothing was connected."
            else
              "#{try[:network]} did not give access (#{error.to_s[0, 100]})."
            end
          raise Core::Refused.new(
                  "consent_refused",
                  sentence,
                  way_on: "Begin again when you are ready; everything is as it was.",
                  facts: {
                    "workspace_id" => try[:workspace_id]
                  }
                )
        end

        def keep(environment, scope, try, grant)
          sealed = environment.secrets.seal(JSON.generate(token: grant.token, refresh_token: grant.refresh_token))
          ends = {
            expires_at: grant.expires_in && (environment.now + grant.expires_in).iso8601,
            consent_until: grant.consent_expires_in && (environment.now + grant.consent_expires_in).iso8601
          }
          accounts = grant.accounts.map { |one| one.slice("name", "account", "micropub") }
          scope.transaction do
            scope
              .rows(:connect_tries)
              .where(id: try[:id])
              .update(
                grant_sealed: sealed,
                accounts: Store::Database.jsonb({ "ends" => ends, "list" => accounts }),
                expires_at: environment.now + 3_600
              )
            record(environment, scope, try, "consented", accounts: accounts.map { |one| one["account"] })
          end
        end

        def record(environment, scope, try, act, **facts)
          scope.transaction do
            Store::Record::Rows.add(
              scope,
              now: environment.now,
              who: {
                person_id: try[:person_id]
              },
              act: act,
              facts: { network: try[:network] }.merge(facts)
            )
          end
        end

        def over
          Core::Over.new(
            "connect_over",
            "This way back from the network is over: it was used, took too long, or was begun by somebody else.",
            way_on: "Begin again from the client's channels."
          )
        end
      end
    end
  end
end
