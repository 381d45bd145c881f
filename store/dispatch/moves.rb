# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # The only place where a showing's state is written. A move is made for as many showings as there are in one
      # statement, each with the attempt that goes with it, and only where state and try are still what the mover
      # knows of.
      class Moves
        # One showing to be moved. row: as the mover knows it (:id, :try_no) · set: further columns · event, note: its
        # attempt, if any
        Moving =
          Struct.new(:row, :set, :event, :note, keyword_init: true) do
            def initialize(row:, set: {}, event: nil, note: "") = super
          end

        TYPES = {
          try_no: "bigint",
          tries: "int",
          sender: "uuid",
          lease_until: "timestamptz",
          due_at: "timestamptz",
          over_at: "timestamptz",
          looks: "int",
          preparing_until: "timestamptz",
          fault: "text",
          trouble: "text",
          address: "text",
          sent_at: "timestamptz",
          claimed_by: "uuid",
          claimed_at: "timestamptz",
          may_be_out: "boolean"
        }.freeze
        # What holds in a state, whatever was there before.
        PLANNED = { sender: nil, lease_until: nil, trouble: "" }.freeze
        RESTING = { sender: nil, lease_until: nil, due_at: nil, preparing_until: nil, fault: "" }.freeze
        CONFIRMED = { unconfirmed_at: nil, network_said: nil, ask_at: nil }.freeze
        IN_STATE = {
          "planned" => PLANNED,
          "by_hand" => RESTING,
          "sending" => {
            preparing_until: nil,
            fault: "",
            looks: 0
          },
          "unclear" => {
            sender: nil,
            lease_until: nil
          },
          "out" => RESTING.merge(trouble: "", **CONFIRMED),
          "trouble" => RESTING.merge(claimed_by: nil, claimed_at: nil)
        }.freeze

        # @param scope [Scope]
        # @param name [Symbol] of Core::Dispatch::Moves
        # @param moving [Array<Moving>] whose `set` all name the same columns
        # @param at [Time] of the attempts
        # @return [Array<String>] ids of those that moved
        def self.make(scope, name, moving, at:)
          return [] if moving.empty?

          new(scope, Core::Dispatch::Moves.fetch(name), moving, at).make
        end

        def initialize(scope, move, moving, at)
          @scope = scope
          @move = move
          @moving = moving
          @at = at
          @columns = moving.first.set.keys
        end

        def make
          @scope.db.fetch(sql, wanted: wanted, w: @scope.workspace_id, from: @move.from, at: @at).select_map(:id)
        end

        private

        def columns = @columns.map { |column| "#{column} #{TYPES.fetch(column)}" }

        def sql
          <<~SQL
            WITH wanted AS (
              SELECT * FROM jsonb_to_recordset(CAST(:wanted AS jsonb))
                AS v(#{["id uuid", "expected bigint", "attempt uuid", "event text", "note text", *columns].join(", ")})
            ), moved AS (
              UPDATE showings SET #{assignments} FROM wanted
              WHERE showings.workspace_id = :w AND showings.id = wanted.id AND showings.try_no = wanted.expected
                AND showings.state IN :from
              RETURNING showings.id
            ), said AS (
              INSERT INTO attempts (workspace_id, id, showing_id, event, note, at)
              SELECT CAST(:w AS uuid), wanted.attempt, wanted.id, wanted.event, wanted.note, CAST(:at AS timestamptz)
              FROM wanted JOIN moved ON moved.id = wanted.id WHERE wanted.event IS NOT NULL ORDER BY wanted.attempt
            )
            SELECT id FROM moved
          SQL
        end

        def assignments
          state = { state: @move.to }.merge(IN_STATE.fetch(@move.to))
          state[:may_be_out] = @move.may_be_out unless @move.may_be_out.nil?
          state[:try_no] = Sequel.lit("showings.try_no + 1") if %i[claim claim_again].include?(@move.name)
          same = state.except(*@columns).map { |column, value| "#{column} = #{@scope.db.literal(value)}" }
          [*same, *@columns.map { |column| "#{column} = wanted.#{column}" }].join(", ")
        end

        def wanted
          JSON.generate(@moving.map { |one| row(one) })
        end

        def row(one)
          raise ArgumentError, "showings that move together set the same columns" unless one.set.keys == @columns

          said = {
            id: one.row[:id],
            expected: one.row[:try_no],
            event: one.event,
            note: one.note.to_s[0, 2_000],
            attempt: Core::Uuid.v7(@at)
          }
          said.merge(one.set.transform_values { |value| value.is_a?(Time) ? value.iso8601(6) : value })
        end
      end
    end
  end
end
