# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Whoever published by hand says where it went: an address, or in words where there is none (a leaflet in the shop).
      class ConfirmByHand < ShowingAct
        # @param place [String] an address or words
        def call(showing_id:, place:)
          said = Core::Posts::Text.clean(place.to_s, field: "place", limit: 500).strip
          raise Core::Invalid.new("place_missing", "Say where it went.", field: "place", way_on: "Its address, or in words such as “on the counter of shop 2”.") if said.empty?

          write do
            found = fetch(:showings, showing_id, "This showing")
            require_ability!("hand_over", on: touching(channel_ids: [found[:channel_id]]))
            Store::Gates.for_posts(scope, [found[:post_id]])
            current = rows(:showings).where(id: showing_id).for_update.first
            unless current[:state] == "by_hand" && current[:claimed_by] == member.person_id
              raise Core::Conflict.new("not_taken_up", "You have not taken this up.",
                way_on: "Take it up first; it is then checked again.")
            end

            out(current, said, now, "by_hand")
          end
        end
      end
    end
  end
end
