# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Changes one's own words, for a while and as long as nobody has answered them. What stood there stays on record.
      class EditRemark < Act
        opens :own_remark, nil

        # @param words [String]
        def call(remark_id:, words:)
          said = Core::Posts::Text.clean(words, field: "words", limit: Say::LIMIT).strip
          raise Core::Invalid.new("words_needed", "There is nothing to say yet.", field: "words") if said.empty?

          rows(:remarks).where(id: remark_id).update(words: said, edited_at: now)
          record("remark_edited", post_id: row[:post_id], facts: { room: row[:room], before: row[:words], after: said })
          announce("talk", ids: [row[:post_id]], room: row[:room])
        end
      end
    end
  end
end
