# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Ends the open lines of adaptations: answered, withdrawn or outdated. A line ends with its last adaptation.
      # Runs inside the transaction of the act that caused it.
      class EndLines < Act
        # @param ask_id [String, nil] only the lines of this ask
        def call(adaptation_ids:, as:, ask_id: nil)
          open = rows(:ask_line_adaptations).where(adaptation_id: adaptation_ids, ended_as: nil)
          open = open.where(line_id: rows(:ask_lines).where(ask_id: ask_id).select(:id)) if ask_id
          line_ids = open.select_map(:line_id).uniq
          open.update(ended_as: as)
          still_open = rows(:ask_line_adaptations).where(line_id: line_ids, ended_as: nil).select_map(:line_id)
          rows(:ask_lines).where(id: line_ids - still_open, ended_at: nil).update(ended_at: now, ended_as: as)
        end
      end
    end
  end
end
