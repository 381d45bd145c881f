# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Adds the ticked accounts of a consent to the client, connects again what had lapsed, and connects what was
      # planned. The posts there keep everything; what a yes was given for stays the account that it was given for.
      class AddAccounts < Act
        opens :client, "add_channel", locks: :client

        # @param accounts [Array<String>] addresses of the ticked accounts
        # @param anyway [Boolean] also accounts that another client of the reader has connected
        # @return [Array<String>] ids of the channels
        def call(try_id:, accounts:, anyway: false)
          try = ConnectTry.find(scope, member, try_id, now)
          chosen = try[:accounts]["list"].select { |one| accounts.include?(one["account"]) }
          if chosen.empty?
            raise Core::Invalid.new(
                    "no_account",
                    "No account is ticked.",
                    field: "accounts",
                    way_on: "Tick at least one."
                  )
          end

          require_wanted!(try, chosen)
          require_meant!(chosen) unless anyway
          connection = connection(try)
          ids = chosen.map { |one| channel(one, try, connection) }
          rows(:connect_tries).where(id: try_id).update(grant_sealed: nil)
          restage_at(ids)
          announce("channels", ids: [])
          ids
        end

        private

        # A channel that is connected again is the same account, or it is another channel.
        def require_wanted!(try, chosen)
          return unless try[:channel_id]

          wanted = rows(:channels).where(id: try[:channel_id]).first
          return if chosen.any? { |one| one["account"] == wanted[:account] }

          came = chosen.map { |one| one["name"] }.join(" and ")
          raise Core::Conflict.new(
                  "other_account",
                  "You came back with #{came}, but “#{wanted[:name]}” is " \
                    "#{wanted[:account]}.",
                  field: "accounts",
                  way_on:
                    "Sign in at the network with the name that posts for that account, or add this one as a channel " \
                      "of its own from the channels page.",
                  facts: {
                    "wanted" => wanted[:account]
                  }
                )
        end

        def require_meant!(chosen)
          elsewhere = ConnectTry.elsewhere(environment, member, chosen.map { |one| one["account"] }, now)
          return if elsewhere.empty?

          account, clients = elsewhere.first
          raise Core::Conflict.new(
                  "connected_elsewhere",
                  "#{chosen.find { |one| one["account"] == account }["name"]} is connected at " \
                    "#{clients.join(" and ")} already.",
                  field: "accounts",
                  way_on: "Take it off, or say that it is meant here too.",
                  facts: {
                    "elsewhere" => elsewhere
                  }
                )
        end

        def connection(try)
          tokens = JSON.parse(environment.secrets.open(try[:grant_sealed]))
          ends = try[:accounts]["ends"]
          id = new_id
          scope.insert(
            :connections,
            {
              id: id,
              network_address: try[:network_address],
              network: try[:network],
              token: environment.secrets.seal(tokens["token"]),
              refresh_token: tokens["refresh_token"] && environment.secrets.seal(tokens["refresh_token"]),
              expires_at: ends["expires_at"] && Time.iso8601(ends["expires_at"]),
              consent_until: ends["consent_until"] && Time.iso8601(ends["consent_until"]),
              consent_by: member.person_id,
              state: "connected",
              made_at: now
            }
          )
          id
        end

        def channel(one, try, connection)
          known = rows(:channels).where(account: one["account"]).first
          return add(one, try, connection) unless known

          require_same_network!(known, try)
          again(known, one, try, connection)
        end

        # A network names accounts of its own. One that names another's does not get its channel.
        def require_same_network!(row, try)
          return if [nil, try[:network_address]].include?(row[:network_address])

          raise Core::Conflict.new(
                  "other_network",
                  "#{try[:network]} calls #{row[:account]} an account of its own, but here that is “#{row[:name]}” " \
                    "at #{row[:network]}.",
                  field: "accounts",
                  way_on: "Leave it out. If the account has moved, archive that channel and add this one."
                )
        end

        def again(row, one, try, connection)
          rows(:channels).where(id: row[:id]).update(
            connection_id: connection,
            network_address: try[:network_address],
            micropub: one["micropub"],
            state: "connected",
            archived_at: nil,
            version: row[:version] + 1
          )
          record("channel_connected", facts: { name: row[:name], account: row[:account], again: row[:state] })
          row[:id]
        end

        def add(one, try, connection)
          network = environment.catalogue.find(try[:network_address]) or
            raise Core::Channels::SaidNo.new("The network does not answer at the moment.", final: false)
          id = new_id
          scope.insert(
            :channels,
            {
              id: id,
              network: network.name,
              name: one["name"],
              initials: network.initials,
              account: one["account"],
              micropub: one["micropub"],
              card: Store::Database.jsonb(network.card.to_json_hash),
              state: "connected",
              connection_id: connection,
              network_address: try[:network_address],
              position: (rows(:channels).max(:position) || -1) + 1,
              created_at: now
            }
          )
          record("channel_connected", facts: { name: one["name"], account: one["account"] })
          id
        end

        def restage_at(channel_ids)
          refresh_stage(
            rows(:adaptations)
              .where(channel_id: channel_ids, removed_at: nil)
              .exclude(stage: "out")
              .select_map(:post_id)
              .uniq
          )
        end
      end
    end
  end
end
