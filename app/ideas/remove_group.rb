# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Takes a group away. Its ideas stay, in none.
      class RemoveGroup < IdeaAct
        opens :idea_group, "order_ideas"

        # @return [Integer] how many ideas were in it
        def call(group_id:)
          moved = rows(:ideas).where(group_id: group_id).update(group_id: nil)
          rows(:idea_groups).where(id: group_id).delete
          record("idea_group_dropped", facts: { name: row[:name], ideas: moved })
          broadcast
          moved
        end
      end
    end
  end
end
