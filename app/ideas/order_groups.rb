# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Puts the groups into another order. Those that are not named follow as they stand.
      class OrderGroups < IdeaAct
        opens :client, "order_ideas"

        # @param group_ids [Array<String>]
        def call(group_ids:)
          there = rows(:idea_groups).order(:place, :id).for_update.select_map(:id)
          ordered = (group_ids & there) | there
          ordered.each_with_index { |id, at| rows(:idea_groups).where(id: id).update(place: at + 1) }
          record("idea_groups_ordered", facts: { groups: ordered.size })
          broadcast
        end
      end
    end
  end
end
