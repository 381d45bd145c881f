# frozen_string_literal: true

module AskFirst
  module App
    module Figures
      # The figures of sign-off over all of a person's clients, a line each: three statements, whatever their number.
      class OfClients
        # @param scope [Store::Scope] of the agency side
        # @return [Hash] JSON-ready
        def self.call(kit, scope, from:, to:)
          days = Span.days(from, to, kit.now)
          scope.transaction { new(kit, scope, days).call }
        end

        def initialize(kit, scope, days)
          @kit = kit
          @scope = scope
          @days = days
        end

        def call
          clients = @scope.db[:workspaces].where(id: @scope.workspace_ids).order(:name).all
          rows = clients.empty? ? {} : rows_by_client
          {
            from: @days.first.iso8601,
            to: @days.last.iso8601,
            clients: clients.map { |one| line(one, rows[one[:id]]) }
          }
        end

        private

        # Midnight is each client's own: a day more is read on both sides, and left out again.
        def rows_by_client
          wide = Span.times((@days.first - 1)..(@days.last + 1), "UTC")
          asked = Store::Figures::Asked.new(@scope, wide)
          lines = asked.lines.group_by { |row| row[:workspace_id] }
          answers = asked.first_answers.group_by { |row| row[:line_id] }
          cleared = asked.cleared.keys
          lines.transform_values { |own| { lines: own, answers: answers, cleared: cleared } }
        end

        def line(client, rows)
          figures = SignedOff.of(client, within(client, rows), @kit.now)
          sides = figures.sides
          { workspace_id: client[:id], name: client[:name], posts: figures.posts, **sides }
        end

        def within(client, rows)
          return { lines: [], answers: [], cleared: [] } if rows.nil?

          span = Span.times(@days, client[:zone])
          lines = rows[:lines].select { |row| span.cover?(row[:asked_at]) }
          { lines: lines, answers: rows[:answers].values_at(*lines.map { |row| row[:line_id] }).compact.flatten }.merge(
            cleared: rows[:cleared]
          )
        end
      end
    end
  end
end
