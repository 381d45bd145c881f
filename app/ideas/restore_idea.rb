# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Takes back an idea that was thrown away.
      class RestoreIdea < IdeaAct
        opens :idea, "keep_idea", gone: true

        def call(idea_id:)
          rows(:ideas).where(id: idea_id).update(dropped_at: nil)
          record("idea_taken_up", facts: { id: idea_id, title: row[:title] })
          broadcast
        end
      end
    end
  end
end
