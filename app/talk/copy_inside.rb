# frozen_string_literal: true

module AskFirst
  module App
    module Talk
      # Copies what was said in the client's room into the house's, where it can be talked about frankly. There is no
      # way in the other direction.
      class CopyInside < Act
        opens :remark, nil

        # @return [String] id of the copy
        def call(remark_id:)
          raise Core::NotFound, "This remark" unless row[:room] == "client" && member.side == "agency"

          require_ability!("house_talk")
          id = new_id
          scope.insert(
            :remarks,
            {
              id: id,
              post_id: row[:post_id],
              room: "house",
              person_id: member.person_id,
              words: "#{names.fetch(row[:person_id])} in client talk: #{row[:words]}"[0, Say::LIMIT],
              pin: row[:pin] && Store::Database.jsonb(row[:pin]),
              copied_from: row[:id],
              said_at: now
            }
          )
          record("said", post_id: row[:post_id], facts: { room: "house", words: row[:words], copied: true })
          announce("talk", ids: [row[:post_id]], room: "house")
          id
        end
      end
    end
  end
end
