# frozen_string_literal: true

module AskFirst
  module Store
    module Figures
      # What was asked in a period and what was answered, as figures are made from. Lines that were withdrawn or
      # outdated before anybody was done with them count for nothing: nobody was slow there.
      class Asked
        # @param scope [Scope] over one or many workspaces
        # @param span [Range<Time>] when it was asked
        # @param room [String, nil] house or client alone
        def initialize(scope, span, room: nil)
          @scope = scope
          @span = span
          @room = room
        end

        # @return [Array<Hash>] :workspace_id, :line_id, :post_id, :step, :side, :hours, :people, :asked_at, :due_at,
        #   :done_at
        def lines
          people =
            @scope.db[:ask_people].where(workspace_id: Sequel[:asks][:workspace_id], ask_id: Sequel[:asks][:id]).select(
              Sequel.function(:array_agg, :person_id)
            )
          asked
            .join(:route_steps, workspace_id: Sequel[:asks][:workspace_id], id: Sequel[:asks][:step_id])
            .select(
              Sequel[:ask_lines][:workspace_id],
              Sequel[:ask_lines][:id].as(:line_id),
              :post_id,
              Sequel[:route_steps][:name].as(:step),
              :side,
              :hours,
              :asked_at,
              :due_at,
              Sequel[:ask_lines][:ended_at].as(:done_at),
              people.as(:people)
            )
            .order(:asked_at)
            .all
        end

        # When each person first said something on each line themselves, and whether they ever wanted a change there.
        # @return [Array<Hash>] :line_id, :person_id, :given_at, :back
        def first_answers
          @scope
            .rows(:answers)
            .where(line_id: asked.select(Sequel[:ask_lines][:id]))
            .where(given_by: :person_id)
            .group(:line_id, :person_id)
            .select(
              :line_id,
              :person_id,
              Sequel.function(:min, :given_at).as(:given_at),
              Sequel.function(:bool_or, Sequel.~(verdict: "yes")).as(:back)
            )
            .order(:line_id, :person_id)
            .all
        end

        # @return [Array<String>] ids of the posts asked that have all their yeses
        def cleared
          @scope
            .rows(:posts)
            .where(Sequel[:posts][:id] => asked.select(:post_id), :stage => %w[cleared released out held])
            .select_map(Sequel[:posts][:id])
        end

        private

        def asked
          found =
            @scope
              .rows(:ask_lines)
              .join(:asks, workspace_id: Sequel[:ask_lines][:workspace_id], id: Sequel[:ask_lines][:ask_id])
              .where(asked_at: @span)
              .where(Sequel.|({ ended_as: nil, withdrawn_at: nil }, { ended_as: "answered" }))
          found = found.where(Sequel[:asks][:room] => @room) if @room
          return found if @scope.limits.empty?

          found.where(post_id: Posts::Visible.narrow(@scope, @scope.rows(:posts)).select(Sequel[:posts][:id]))
        end
      end
    end
  end
end
