# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # What a person came back with from a network: the accounts, and what each already is here. That an account is
      # connected at another client is said only to whoever is a member there.
      class ConnectTry < Act
        reads :client, "connect"

        # @return [Hash] JSON-ready
        def call(try_id:)
          try = self.class.find(scope, member, try_id, now)
          here = rows(:channels).where(archived_at: nil).to_hash(:account)
          elsewhere =
            self.class.elsewhere(environment, member, try[:accounts]["list"].map { |one| one["account"] }, now)
          {
            network: try[:network],
            wanted: try[:channel_id] && rows(:channels).where(id: try[:channel_id]).get(:account),
            accounts:
              try[:accounts]["list"].map do |one|
                account(one, here[one["account"]], elsewhere.fetch(one["account"], []))
              end
          }
        end

        def self.find(scope, member, try_id, now)
          found =
            Core::Uuid::FORMAT.match?(try_id.to_s) &&
              scope.rows(:connect_tries).where(id: try_id, person_id: member.person_id).exclude(grant_sealed: nil).first
          raise Core::NotFound, "This way back from the network" unless found
          if found[:expires_at] <= now
            raise Core::Over.new(
                    "connect_over",
                    "You took more than an hour to choose.",
                    way_on: "Begin again from the client's channels."
                  )
          end

          found
        end

        # Names of the reader's own other clients that have these accounts.
        # @return [Hash{String=>Array<String>}] account => client names
        def self.elsewhere(environment, member, accounts, now)
          mine =
            Store::People::Members
              .of_person(environment.db, member.person_id, now)
              .select { |row| row[:side] == "agency" && row[:workspace_id] != member.workspace_id }
          return {} if mine.empty?

          names = mine.to_h { |row| [row[:workspace_id], row[:workspace_name]] }
          scope =
            Store::Scope.new(environment.db, workspace_ids: names.keys, person_id: member.person_id, side: "agency")
          found =
            scope.transaction do
              scope.rows(:channels).where(account: accounts, archived_at: nil).select_map(%i[account workspace_id])
            end
          found.group_by(&:first).transform_values { |pairs| pairs.map { |_, id| names.fetch(id) } }
        end

        private

        def account(one, channel, elsewhere)
          {
            account: one["account"],
            name: one["name"],
            here: channel && channel[:name],
            state: channel && channel[:state],
            elsewhere: elsewhere
          }
        end
      end
    end
  end
end
