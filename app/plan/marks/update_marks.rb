# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Puts and erases pencil marks: one cell, or a block as in a sheet; all of it or nothing.
      class UpdateMarks < Act
        include KeptForIdeas

        opens :cells, "pencil"

        # @param put [Array<Hash>] see Core::Plan::PencilMark.read; what stands in a cell is written over
        # @param erase [Array<Hash>] {"day" =>, "channel_id" =>}; an empty cell stays empty
        # @return [Array<Hash>] what stood in these cells before, JSON-ready: putting it back undoes this
        # @raise [Core::Refused] other_channel
        def call(put: [], erase: [])
          marks = Core::Plan::PencilMark.read(put, now, field: "put")
          gone = Core::Plan::PencilMark.read(erase, now, field: "erase").map(&:cell) - marks.map(&:cell)
          require_open!(marks)
          require_labels!(marks)
          require_ideas!(marks)
          cells = marks.map(&:cell) + gone
          return [] if cells.empty?

          require_ideas_seen!(rows(:pencil_marks).where(%i[day channel_id] => cells))
          before = Store::Plan::Marks.at(scope, cells)
          rows(:pencil_marks).where(%i[day channel_id] => gone).delete if gone.any?
          keep(marks)
          days = cells.map(&:first).minmax.map(&:iso8601)
          record("pencilled", facts: { put: marks.size, erased: gone.size, from: days.first, to: days.last })
          announce("plan", ids: [])
          before
        end

        private

        def keep(marks)
          Store::Plan::Marks.put(scope, marks.map { |mark| row(mark) })
        end

        def row(mark)
          {
            workspace_id: member.workspace_id,
            day: mark.day,
            channel_id: mark.channel_id,
            clock: mark.clock,
            word: mark.word,
            label_id: mark.label_id,
            idea_id: mark.idea_id,
            made_by: member.person_id,
            made_at: now
          }
        end

        def require_open!(marks)
          wanted = marks.map(&:channel_id)
          gone = @opened.rows.find { |channel| channel[:archived_at] && wanted.include?(channel[:id]) } or return
          raise Core::Invalid.new(
                  "channel_archived",
                  "#{gone[:name]} is archived; nothing is planned there any more.",
                  field: "put",
                  way_on: "Choose another channel, or take it out of the archive."
                )
        end

        def require_labels!(marks)
          wanted = marks.filter_map(&:label_id).uniq
          return if rows(:labels).where(id: wanted).count == wanted.size

          raise Core::Invalid.new(
                  "no_such_label",
                  "The kind of content that a mark names is not there (any more).",
                  field: "put",
                  way_on: "Choose another, or none."
                )
        end

        def require_ideas!(marks)
          wanted = marks.filter_map(&:idea_id).uniq
          return if wanted.empty?
          return if Store::Posts::Visible.ideas(scope, rows(:ideas).where(id: wanted)).count == wanted.size

          raise Core::Invalid.new(
                  "no_such_idea",
                  "The idea that a mark names is not there.",
                  field: "put",
                  way_on: "Put the mark without it."
                )
        end
      end
    end
  end
end
