# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # The lines of asks that wait for an answer, and what ends them.
      class OpenLines
        # @param scope [Scope]
        def initialize(scope)
          @scope = scope
        end

        # @param ask_ids [Array<String>]
        # @return [Array<Hash>] :ask_id, :post_id, :step_id of those that nobody has answered or withdrawn
        def of_asks(ask_ids)
          with_asks.where(ask_id: ask_ids, ended_at: nil, withdrawn_at: nil).select(:ask_id, :post_id, :step_id).all
        end

        # @return [Array<Hash>] :post_id and :people (ids) of those that were asked at a step
        def at_step(step_id)
          people =
            scope.db[:ask_people].where(workspace_id: Sequel[:asks][:workspace_id], ask_id: Sequel[:asks][:id]).select(
              :person_id
            )
          with_asks
            .where(ended_at: nil, step_id: step_id)
            .select(:post_id, Sequel.function(:array, people).as(:people))
            .all
        end

        # Those that wait for a person, the longest first; `last` when nobody else was asked who is still a member.
        # @param posts [Sequel::Dataset] that the reader sees
        # @return [Array<Hash>] :id (of the ask), :post_id, :subject, :step, :side, :asked_at, :last
        def for_person(person_id, posts)
          lines = of_person(person_id, posts).order(:asked_at).all
          others = asked_beside(person_id, lines.map { |line| line[:id] })
          lines.map { |line| line.merge(last: !others.include?(line[:id])) }
        end

        # Ends lines whose last adaptation has ended.
        # @param line_ids [Array<String>]
        # @param as [String] answered, withdrawn or outdated
        def end_done(line_ids, at:, as:)
          left =
            scope.db[:ask_line_adaptations].where(
              workspace_id: Sequel[:ask_lines][:workspace_id],
              line_id: Sequel[:ask_lines][:id],
              ended_as: nil
            )
          scope
            .rows(:ask_lines)
            .where(id: line_ids, ended_at: nil)
            .exclude(left.select(1).exists)
            .update(ended_at: at, ended_as: as)
        end

        # What a mail about all of an ask is said to stand beside: the first that waits still, else the first.
        # @return [Hash, nil] row of ask_lines
        def first_of(ask_id)
          scope
            .rows(:ask_lines)
            .where(ask_id: ask_id)
            .join(:posts, workspace_id: Sequel[:ask_lines][:workspace_id], id: :post_id)
            .order(Sequel.lit("ask_lines.ended_at IS NOT NULL"), Sequel[:posts][:at], Sequel[:ask_lines][:id])
            .select_all(:ask_lines)
            .first
        end

        private

        attr_reader :scope

        def with_asks = scope.rows(:ask_lines).join(:asks, workspace_id: :workspace_id, id: :ask_id)

        def of_person(person_id, posts)
          here = Sequel[:ask_lines][:workspace_id]
          scope
            .rows(:ask_lines)
            .where(Sequel[:ask_lines][:ended_at] => nil)
            .join(:ask_people, workspace_id: here, ask_id: Sequel[:ask_lines][:ask_id])
            .join(:asks, workspace_id: here, id: Sequel[:ask_lines][:ask_id])
            .join(:route_steps, workspace_id: here, id: Sequel[:asks][:step_id])
            .join(:posts, workspace_id: here, id: Sequel[:ask_lines][:post_id])
            .where(
              Sequel[:ask_people][:person_id] => person_id,
              Sequel[:ask_lines][:post_id] => posts.select(Sequel[:posts][:id])
            )
            .select(
              Sequel[:asks][:id],
              Sequel[:ask_lines][:post_id],
              :subject,
              Sequel[:route_steps][:name].as(:step),
              Sequel[:route_steps][:side],
              :asked_at
            )
        end

        def asked_beside(person_id, ask_ids)
          scope
            .rows(:ask_people)
            .where(ask_id: ask_ids)
            .exclude(Sequel[:ask_people][:person_id] => person_id)
            .join(:memberships, workspace_id: :workspace_id, person_id: Sequel[:ask_people][:person_id])
            .where(Sequel[:memberships][:ended_at] => nil)
            .select_map(:ask_id)
        end
      end
    end
  end
end
