# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Makes the post that a pencil mark keeps a place for: its channel, its time, its word as the subject, its label;
      # and all that the idea holds that it is for. The mark is gone then.
      class CreateMarkPost < Act
        include KeptForIdeas

        opens :cells, "make_post"

        # @param cells [Array<Hash>] the one cell: {"day" =>, "channel_id" =>}
        # @return [String] the post's id
        # @raise [Core::Refused] other_channel
        # @raise [Core::Over] mark_gone, where somebody erased it or made its post meanwhile
        def call(cells:)
          cell = Core::Plan::PencilMark.read(cells, now, field: "cells").first&.cell
          marks = rows(:pencil_marks).where(%i[day channel_id] => [cell].compact)
          mark = marks.for_update.first or raise mark_gone
          require_ideas_seen!(marks)
          post = make(mark)
          marks.delete
          announce("plan", ids: [post])
          post
        end

        private

        def make(mark)
          kept = mark.slice(:word, :day, :clock, :label_id, :idea_id)
          PlannedPost.call(environment, member, channel_ids: [mark[:channel_id]], **kept)
        end

        def mark_gone
          Core::Over.new(
            "mark_gone",
            "This mark is gone: somebody erased it, or made its post.",
            way_on: "Look at the plan as it is now."
          )
        end
      end
    end
  end
end
