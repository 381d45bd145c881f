# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Whoever published by hand says where it went: an address, or in words where there is none (a leaflet in the
      # shop).
      class ConfirmByHand < ShowingAct
        opens :showing, "hand_over", lock: true

        # @param place [String] an address or words
        def call(showing_id:, place:)
          said = Core::Posts::Text.clean(place.to_s, field: "place", limit: Core::Lengths::PLACE).strip
          if said.empty?
            raise Core::Invalid.new(
                    "place_missing",
                    "Say where it went.",
                    field: "place",
                    way_on: "Its address, or in words such as “on the counter of shop 2”."
                  )
          end

          write do
            enter
            raise not_taken_up unless row[:state] == "by_hand" && row[:claimed_by] == member.person_id

            move(:publish, row, "by_hand", said, address: said, sent_at: now)
            refresh_stage(went_out([[row, said, channel(row)]]))
          end
        end

        private

        def not_taken_up
          Core::Conflict.new(
            "not_taken_up",
            "You have not taken this up.",
            way_on: "Take it up first; it is then checked again."
          )
        end
      end
    end
  end
end
