# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Puts an idea into a group, before another one or last.
      class PlaceIdea < IdeaAct
        opens :idea, "keep_idea"

        # @param group_id [String, nil] nil for none
        # @param before [String, nil] id of the idea that it shall stand before; nil for last
        def call(idea_id:, group_id:, before: nil)
          into = group(group_id)
          there = rows(:ideas).where(group_id: into, dropped_at: nil).order(:place, :id).for_update.select_map(:id)
          ordered = Core::Ideas::Order.move(there, idea_id, before)
          Store::Ideas::Places.put(scope, ordered)
          rows(:ideas).where(id: idea_id).update(group_id: into)
          if into != row[:group_id]
            record("idea_placed", facts: { id: idea_id, title: row[:title], group: name_of(into) })
          end
          broadcast
        end

        private

        def name_of(id) = id && rows(:idea_groups).where(id: id).get(:name)
      end
    end
  end
end
