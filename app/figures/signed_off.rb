# frozen_string_literal: true

module AskFirst
  module App
    module Figures
      # The figures of sign-off of one client, out of the rows of the store.
      module SignedOff
        module_function

        # @param workspace [Hash] row
        # @param rows [Hash] lines, answers, cleared: what Store::Figures::Asked gives, of this client
        # @return [Core::Figures::SignOff]
        def of(workspace, rows, now)
          lines = rows[:lines].to_h { |row| [row[:line_id], row] }
          Core::Figures::SignOff.new(
            lines: lines.values.map { |row| line(row) },
            answers: rows[:answers].map { |row| answer(row, lines.fetch(row[:line_id])) },
            cleared: rows[:cleared],
            hours: Store::Clients::Hours.of(workspace),
            zone: workspace[:zone],
            now: now
          )
        end

        def line(row)
          about = row.slice(:post_id, :step, :side, :asked_at, :due_at, :done_at)
          Core::Figures::SignOff::Line.new(**about, hours: row[:hours].to_f, people: row[:people].to_a)
        end

        def answer(row, line)
          about = line.slice(:post_id, :step, :side, :asked_at, :due_at)
          Core::Figures::SignOff::Answer.new(**about, **row.slice(:person_id, :back, :given_at))
        end
        private_class_method :line, :answer
      end
    end
  end
end
