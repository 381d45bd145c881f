# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Makes drafts of a block of cells, as it came out of a sheet: what says the same at the same time on several
      # channels is one post. All or none; pencil marks in these cells are gone then.
      class CreateDrafts < Act
        include KeptForIdeas

        opens :cells, "make_post"

        MOST = 200 # cells at once

        # @param cells [Array<Hash>] see Core::Plan::PencilMark.read; each needs a word
        # @return [Array<String>] ids of the posts, in the order of their days
        # @raise [Core::Invalid] too_many_marks, word_missing
        # @raise [Core::Refused] other_channel
        def call(cells:)
          marks = Core::Plan::PencilMark.read(cells, now, field: "cells")
          raise too_many if marks.size > MOST
          raise no_word if marks.any? { |mark| mark.word.empty? }

          stood = rows(:pencil_marks).where(%i[day channel_id] => marks.map(&:cell))
          require_ideas_seen!(stood)
          posts = together(marks).map { |key, own| make(key, own) }
          stood.delete
          announce("plan", ids: [])
          posts
        end

        private

        # @return [Array<Array(Array, Array<PencilMark>)>] by day, hour and word
        def together(marks)
          marks
            .group_by { |mark| [mark.day, mark.clock, mark.word, mark.label_id, mark.idea_id] }
            .sort_by { |(day, clock, word, _, _), _| [day, clock.to_s, word] }
        end

        def make((day, clock, word, label_id, idea_id), marks)
          hour = clock && Time.utc(2000, 1, 1, *clock.split(":").map(&:to_i))
          kept = { word: word, day: day, clock: hour, label_id: label_id, idea_id: idea_id }
          PlannedPost.call(environment, member, channel_ids: marks.map(&:channel_id), **kept)
        end

        def too_many
          Core::TooMany.new(
            "At most #{MOST} cells are made into drafts at once.",
            of: "marks",
            field: "cells",
            way_on: "Make them in parts."
          )
        end

        def no_word
          Core::Invalid.new(
            "word_missing",
            "A draft needs a word to be found by.",
            field: "cells",
            way_on: "Leave empty cells out."
          )
        end
      end
    end
  end
end
