# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Makes the post that a pencil mark keeps a place for: its channel, its time, its word as the subject, its label.
      # The mark is gone then.
      class WriteMark < Act
        opens :cells, "make_post"

        # @param cells [Array<Hash>] the one cell: {"day" =>, "channel_id" =>}
        # @return [String] the post's id
        # @raise [Core::Over] mark_gone, where somebody erased it or made its post meanwhile
        def call(cells:)
          cell = Core::Plan::PencilMark.read(cells, now, field: "cells").first&.cell
          mark = cell && rows(:pencil_marks).where(%i[day channel_id] => [cell]).for_update.first
          raise mark_gone unless mark

          post = make(mark)
          rows(:pencil_marks).where(%i[day channel_id] => [cell]).delete
          announce("plan", ids: [post])
          post
        end

        private

        def make(mark)
          id = Posts::MakePost.call(kit, member, subject: mark[:word])
          Posts::ChooseChannels.call(kit, member, post_id: id, channel_ids: [mark[:channel_id]])
          Posts::SavePart.call(kit, member, post_id: id, channel_id: nil, part: "time", value: time(mark), version: 0)
          Posts::SetLabels.call(kit, member, post_id: id, names: [label(mark)]) if mark[:label_id]
          id
        end

        def label(mark) = rows(:labels).where(id: mark[:label_id]).get(:name)

        def time(mark)
          clock = mark[:clock]&.strftime("%H:%M")
          Core::Plan::PencilMark.new(day: mark[:day], channel_id: nil, clock: clock, word: "", label_id: nil).time(
            workspace[:zone]
          )
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
