# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Ends the open lines of adaptations: answered, withdrawn or outdated. A line ends with its last adaptation.
      # Runs inside the transaction of the act that caused it.
      class EndLines < Act
        inside

        # @param line_id [String, nil] only this line's
        # @param ask_id [String, nil] only the lines of this ask
        # @param step_id [String, nil] only the lines of asks at this step
        # @param pairs [Array<Array(String, String)>, nil] only these, by line and adaptation
        def call(adaptation_ids:, as:, line_id: nil, ask_id: nil, step_id: nil, pairs: nil)
          return if pairs && pairs.empty?

          open = rows(:ask_line_adaptations).where(adaptation_id: adaptation_ids, ended_as: nil)
          open = open.where(%i[line_id adaptation_id] => pairs) if pairs
          open = open.where(line_id: line_id) if line_id
          open = open.where(line_id: rows(:ask_lines).where(ask_id: ask_id).select(:id)) if ask_id
          open = open.where(line_id: lines_at(step_id)) if step_id
          line_ids = open.returning(:line_id).update(ended_as: as).map { |row| row[:line_id] }.uniq
          return if line_ids.empty?

          Store::Signoff::OpenLines.new(scope).end_done(line_ids, at: now, as: as)
        end

        private

        def lines_at(step_id)
          asks = rows(:asks).where(step_id: step_id).select(:id)
          rows(:ask_lines).where(ask_id: asks).select(:id)
        end
      end
    end
  end
end
