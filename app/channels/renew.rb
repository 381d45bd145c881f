# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Renews connections before they lapse. Runs every few seconds in the dispatcher, under the jobs' role; a refresh token is
      # used once, so each connection is held by one process while it asks.
      class Renew
        AHEAD = 600 # seconds before the end

        # @return [Integer] how many were renewed
        def self.call(kit)
          new(kit).call
        end

        def initialize(kit)
          @kit = kit
        end

        def call
          soon = @kit.now + AHEAD
          due = @kit.db[:connections].where(state: "connected").exclude(refresh_token: nil).where { expires_at < soon }.select_map(%i[workspace_id id])
          due.count { |workspace_id, id| renew(workspace_id, id, soon) }
        end

        private

        # The lock is held while the network is asked: two processes with one refresh token would lose it.
        def renew(workspace_id, id, soon)
          @kit.db.transaction do
            row = @kit.db[:connections].where(workspace_id: workspace_id, id: id, state: "connected").where { expires_at < soon }.for_update.skip_locked.first
            row ? ask(row) : false
          end
        end

        def ask(row)
          grant = @kit.consent.refresh(row[:network_address], @kit.secrets.open(row[:refresh_token]))
          values = { token: @kit.secrets.seal(grant.token), expires_at: grant.expires_in && (@kit.now + grant.expires_in) }
          values[:refresh_token] = @kit.secrets.seal(grant.refresh_token) if grant.refresh_token
          where(:connections, row).where(id: row[:id]).update(values)
          true
        rescue Core::Channels::SaidNo => e
          lapse(row, e) if e.final?
          false
        end

        def lapse(row, error)
          where(:connections, row).where(id: row[:id]).update(state: "lapsed")
          where(:channels, row).where(connection_id: row[:id], state: "connected").update(state: "lapsed")
          member = Member.process(row[:workspace_id], "dispatcher")
          scope = member.scope(@kit.db)
          Store::Record::Rows.add(scope, now: @kit.now, who: member.on_record, act: "connection_lapsed", facts: { network: row[:network], why: error.message })
          Live.announce(@kit, row[:workspace_id], { what: "channels", ids: [] }, Store::People::Hearers.of(scope, [], @kit.now))
        end

        def where(table, row)
          @kit.db[table].where(workspace_id: row[:workspace_id])
        end
      end
    end
  end
end
