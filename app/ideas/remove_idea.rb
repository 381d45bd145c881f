# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Throws an idea away. What was made of it stays; the idea can be taken back.
      class RemoveIdea < IdeaAct
        opens :idea, "keep_idea"

        def call(idea_id:)
          rows(:ideas).where(id: idea_id).update(dropped_at: now)
          record("idea_dropped", facts: { id: idea_id, title: row[:title] })
          broadcast
        end
      end
    end
  end
end
