# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Adds a remark to one of a post's two rooms. It is talk, never an answer. The client side has only its own room, and
      # only beside posts that were shared with it.
      class Say < Act
        def call(post_id:, room:, words:)
          said = Core::Posts::Text.clean(words, field: "words", limit: 4_000).strip
          raise Core::Invalid.new("words_needed", "There is nothing to say yet.", field: "words") if said.empty?

          id = new_id
          write do
            fetch(:posts, post_id, "This post")
            require_visible!(post_id)
            require_room!(post_id, room)
            scope.insert(:remarks,
              { id: id, post_id: post_id, room: room, person_id: member.person_id, pass_id: member.pass_id, words: said, said_at: now })
            record("said", post_id: post_id, facts: { room: room, words: said })
            owner = rows(:posts).where(id: post_id).get(:owner_id)
            People::Notify.call(kit, member, person_ids: [owner], kind: "talk", post_id: post_id, words: "#{member.name}: #{said}")
            announce("talk", ids: [post_id], room: room)
          end
          id
        end

        private

        def require_room!(post_id, room)
          require_ability!(room == "house" && member.side == "agency" ? "house_talk" : "client_talk")
          return if member.side == "agency"
          raise Core::NotFound, "This room" unless room == "client"

          lines = rows(:ask_lines).where(post_id: post_id).join(:ask_people, workspace_id: :workspace_id,
            ask_id: :ask_id).where(person_id: member.person_id)
          lines = lines.where(Sequel[:ask_lines][:ask_id] => member.ask_id) if member.ask_id
          raise Core::NotFound, "This post" if lines.empty?
        end
      end
    end
  end
end
