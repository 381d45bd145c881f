# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Adds a remark to one of a post's two rooms. It is talk, never an answer. The client side has only its own
      # room, and only beside posts that were shared with it.
      class Say < Act
        opens :room, nil

        def call(post_id:, room:, words:)
          said = Core::Posts::Text.clean(words, field: "words", limit: 4_000).strip
          raise Core::Invalid.new("words_needed", "There is nothing to say yet.", field: "words") if said.empty?

          id = new_id
          scope.insert(
            :remarks,
            {
              id: id,
              post_id: post_id,
              room: room,
              person_id: member.person_id,
              pass_id: member.pass_id,
              words: said,
              said_at: now
            }
          )
          record("said", post_id: post_id, facts: { room: room, words: said })
          People::Notify.call(
            kit,
            member,
            person_ids: [row[:owner_id]],
            kind: "talk",
            post_id: post_id,
            words: "#{member.name}: #{said}"
          )
          announce("talk", ids: [post_id], room: room)
          id
        end
      end
    end
  end
end
