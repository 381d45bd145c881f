# frozen_string_literal: true

module AskFirst
  module App
    module Figures
      # The figures of sign-off over all of a person's clients, a line each: three statements, whatever their number.
      class OfClients
        # @param scope [Store::Scope] of the agency side
        # @return [Hash] JSON-ready
        def self.call(environment, scope, from:, to:)
          days = Span.days(from, to, environment.now)
          scope.transaction { new(environment, scope, days).call }
        end

        def initialize(environment, scope, days)
          @environment = environment
          @scope = scope
          @days = days
        end

        def call
          clients = @scope.db[:workspaces].where(id: @scope.workspace_ids).order(:name).all
          { from: @days.first.iso8601, to: @days.last.iso8601, clients: clients.map { |one| line(one) } }
        end

        private

        # Midnight is each client's own: a day more is read on both sides, and left out again.
        def asked
          @asked ||=
            begin
              wide = Span.times((@days.first - 1)..(@days.last + 1), "UTC")
              found = Store::Figures::Asked.new(@scope, wide)
              lines = found.lines.group_by { |row| row[:workspace_id] }
              { lines: lines, answers: found.first_answers.group_by { |row| row[:line_id] }, cleared: found.cleared }
            end
        end

        def line(client)
          span = Span.times(@days, client[:zone])
          lines = asked[:lines].fetch(client[:id], []).select { |row| span.cover?(row[:asked_at]) }
          answers = lines.flat_map { |row| asked[:answers].fetch(row[:line_id], []) }
          figures = SignedOff.of(client, { lines: lines, answers: answers, cleared: asked[:cleared] }, @environment.now)
          { workspace_id: client[:id], name: client[:name], posts: figures.posts, **figures.sides }
        end
      end
    end
  end
end
