# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The links of a client that work now: whose each is, for what, until when, and on how many devices it was opened.
      class PassList < Act
        reads :client, "see_passes"

        MOST = 200

        # @return [Hash] JSON-ready: passes, the newest first, and what may be done
        def call
          { passes: passes, can: Permissions::Capabilities.of(member, others: colleagues) }
        end

        COLUMNS = [
          Sequel[:guest_passes][:id],
          :person_id,
          :ask_id,
          :made_at,
          :expires_at,
          :asked_at,
          Sequel[:route_steps][:name].as(:step)
        ].freeze
        private_constant :COLUMNS

        private

        def passes
          rows(:guest_passes)
            .where(revoked_at: nil)
            .where(Sequel[:guest_passes][:expires_at] > now)
            .join(:asks, workspace_id: :workspace_id, id: :ask_id)
            .join(:route_steps, workspace_id: Sequel[:asks][:workspace_id], id: :step_id)
            .order(Sequel.desc(:made_at), Sequel.desc(Sequel[:guest_passes][:id]))
            .limit(MOST)
            .select(*COLUMNS, *counted)
            .map { |row| json(row) }
        end

        def counted
          own = Sequel[:guest_passes]
          visits = scope.db[:guest_visits].where(workspace_id: own[:workspace_id], pass_id: own[:id])
          lines = scope.db[:ask_lines].where(workspace_id: own[:workspace_id], ask_id: own[:ask_id])
          [
            visits.select { count.function.* }.as(:devices),
            visits.select { max(:opened_at) }.as(:opened_at),
            lines.select { count.function.* }.as(:posts)
          ]
        end

        def json(row)
          {
            **row.slice(:id, :ask_id, :step, :devices, :posts),
            person: names[row[:person_id]],
            asked_at: row[:asked_at].iso8601,
            made_at: row[:made_at].iso8601,
            expires_at: row[:expires_at].iso8601,
            opened_at: row[:opened_at]&.iso8601
          }
        end
      end
    end
  end
end
