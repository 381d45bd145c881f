# frozen_string_literal: true

module AskFirst
  module App
    module Figures
      # How a client's sign-off went in a period: each step, each person, and what follows. The client's side sees its
      # own part of it, where the lead shares that.
      class OfClient < Act
        reads :client, "see_figures"

        # @param from [String] ISO date
        # @param to [String] inclusive
        # @param theirs [Boolean] only what the client's side would see
        # @return [Hash] JSON-ready
        def call(from:, to:, theirs: false)
          raise Core::NotFound, "These figures" if member.side == "client" && !workspace[:figures_shared]

          days = Span.days(from, to, now)
          figures = figures(days, theirs || member.side == "client")
          { **about(days), **json(figures), follows: Core::Figures::Follows.new(figures, names).call }
        end

        private

        def figures(days, theirs)
          room = theirs ? "client" : nil
          asked = Store::Figures::Asked.new(scope, Span.times(days, workspace[:zone]), room: room)
          rows = { lines: asked.lines, answers: asked.first_answers, cleared: asked.cleared }
          SignedOff.of(workspace, rows, now)
        end

        def about(days)
          {
            client: workspace[:name],
            zone: workspace[:zone],
            from: days.first.iso8601,
            to: days.last.iso8601,
            shared: workspace[:figures_shared]
          }
        end

        def json(figures)
          {
            posts: figures.posts,
            steps: figures.steps,
            people: figures.people.map { |one| { name: names.fetch(one[:id]), **one } },
            weeks: figures.weeks,
            clock: figures.clock
          }
        end
      end
    end
  end
end
