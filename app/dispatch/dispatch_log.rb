# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # The dispatch log: in flight, next, trouble and out, over one or many workspaces.
      class DispatchLog
        PAGE = 60
        SHOWN = %i[
          id
          workspace_id
          post_id
          state
          unconfirmed
          claimed_by
          address
          seen
          seen_note
          fault
          trouble
          tries
          subject
          stage
          network
          initials
          channel
          zone
        ].freeze

        def self.call(environment, scope, before: nil)
          scope.transaction { new(environment, scope).call(before) }
        end

        def initialize(environment, scope)
          @environment = environment
          @scope = scope
        end

        def call(before)
          sent = out(before)
          {
            now: @environment.now.iso8601,
            going: json_of(log.unsent(@environment.now, PAGE)),
            trouble: json_of(log.trouble(PAGE)),
            out: json_of(sent.first(PAGE)),
            next: sent.size > PAGE ? sent[PAGE - 1][:sent_at].iso8601(6) : nil,
            holds: holds,
            figures: figures,
            **Returned.of(@environment, @scope)
          }
        end

        private

        def log = @log ||= Store::Dispatch::Log.new(@scope)

        def json_of(rows)
          rows.map { |row| json(row) }
        end

        def out(before)
          log.out(before && Core::Plan::Iso.moment(before, @environment.now, field: "before"), PAGE + 1)
        end

        def holds
          log.holds.map do |row|
            row.slice(:id, :workspace_id, :channel_id, :reason, :channel).merge(at: row[:put_at].iso8601)
          end
        end

        # Of the last 40 days.
        def figures
          count, median = log.lateness(@environment.now - (40 * 86_400))
          { out: count, median_late: median&.round(1) }
        end

        def json(row)
          late = row[:sent_at] && row[:at] ? (row[:sent_at] - row[:at]).round(1) : nil
          row.slice(*SHOWN).merge(
            at: row[:at]&.iso8601,
            sent_at: row[:sent_at]&.iso8601(3),
            seen_at: row[:seen_at]&.iso8601,
            late: late
          )
        end
      end
    end
  end
end
