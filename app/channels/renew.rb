# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Renews connections before they lapse. Runs every few seconds in the dispatcher, under the jobs' role; a
      # refresh token may be good for one use, so one process at a time asks.
      class Renew
        AHEAD = 600 # seconds before the end
        LONGEST = 60 # seconds that one renewal may take; then it was cut off
        AGAIN = 20 # seconds until a network that did not answer is asked again

        # @return [Integer] how many were renewed
        def self.call(environment)
          new(environment).call
        end

        def initialize(environment)
          @environment = environment
        end

        def call
          soon = @environment.now + AHEAD
          due =
            @environment.db[:connections]
              .where(state: "connected")
              .exclude(refresh_token: nil)
              .where { expires_at < soon }
              .select_map(%i[workspace_id id])
          due.count { |workspace_id, id| renew(workspace_id, id, soon) }
        end

        private

        # Who renews says so first, and holds no transaction while the network is asked. Whoever was killed in between
        # leaves the connection as it was: it goes on until its token ends, and is tried again with what it had.
        def renew(workspace_id, id, soon)
          row = take(workspace_id, id, soon) or return false
          grant = @environment.consent.refresh(row[:network_address], @environment.secrets.open(row[:refresh_token]))
          keep(row, grant)
          true
        rescue Core::Channels::SaidNo => e
          give_up(row, e)
          false
        end

        # Two processes with one refresh token would lose it.
        def take(workspace_id, id, soon)
          now = @environment.now
          mine =
            @environment.db[:connections]
              .where(workspace_id: workspace_id, id: id, state: "connected")
              .where { expires_at < soon }
              .where { (renewing_until =~ nil) | (renewing_until < now) }
          mine.returning.update(renewing_until: now + LONGEST, renewals: Store::Database.one_more(:renewals)).first
        end

        def keep(row, grant)
          values = {
            token: @environment.secrets.seal(grant.token),
            expires_at: grant.expires_in && (@environment.now + grant.expires_in),
            renewing_until: nil,
            renewals: 0
          }
          values[:refresh_token] = @environment.secrets.seal(grant.refresh_token) if grant.refresh_token
          where(:connections, row).where(id: row[:id], refresh_token: Store::Database.blob(row[:refresh_token])).update(
            values
          )
        end

        # Where an earlier try was cut off, the network may have given new tokens that we never had, and take the old
        # one no more:
        # what we have still opens it until it ends, and somebody is told to connect it again before.
        def give_up(row, error)
          unless error.final?
            return where(:connections, row).where(id: row[:id]).update(renewing_until: @environment.now + AGAIN)
          end
          return lapse(row, error) unless row[:renewals] > 1 && row[:expires_at] > @environment.now && still_opens?(row)

          where(:connections, row).where(id: row[:id]).update(refresh_token: nil, renewing_until: nil)
          tell(row, "connection_not_renewed", error)
        end

        # Whether the token that we have is still taken at the network.
        def still_opens?(row)
          micropub = where(:channels, row).where(connection_id: row[:id]).get(:micropub) or return false
          @environment.networks.client_with(micropub, @environment.secrets.open(row[:token])).card
          true
        rescue Core::Dispatch::Lapsed
          false
        rescue Core::Dispatch::Unreachable, Core::Invalid
          true
        end

        def lapse(row, error)
          where(:connections, row).where(id: row[:id]).update(state: "lapsed")
          where(:channels, row).where(connection_id: row[:id], state: "connected").update(state: "lapsed")
          tell(row, "connection_lapsed", error)
        end

        def tell(row, act, error)
          member = Member.process(row[:workspace_id], "worker")
          scope = member.scope(@environment.db)
          Store::Record::Rows.add(
            scope,
            now: @environment.now,
            who: member.on_record,
            act: act,
            facts: {
              network: row[:network],
              why: error.message
            }
          )
          Live.announce(
            @environment,
            row[:workspace_id],
            { what: "channels", ids: [] },
            Store::People::Subscribers.of(scope, [], @environment.now)
          )
        end

        def where(table, row)
          @environment.db[table].where(workspace_id: row[:workspace_id])
        end
      end
    end
  end
end
