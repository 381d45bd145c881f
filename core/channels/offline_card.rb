# frozen_string_literal: true

module AskFirst
  module Core
    module Channels
      # The card of an offline channel (a newsletter, a leaflet): no network gives one, so the agency sets its limits.
      module OfflineCard
        MOST_TEXT = 100_000
        MOST_PICTURES = 20

        module_function

        # @param limit [Integer] characters as people see them
        # @param pictures [Integer] at most
        # @param picture_needed [Boolean]
        # @return [Card]
        # @raise [Invalid]
        def build(name:, initials:, limit:, pictures:, picture_needed:)
          label = Posts::Text.clean(name, field: "name", limit: Lengths::NAME).strip
          if label.empty?
            raise Invalid.new(
                    "name_missing",
                    "The channel needs a name.",
                    field: "name",
                    way_on: "Such as “Newsletter”."
                  )
          end

          Card.read(
            {
              "name" => label,
              "initials" => initials(initials),
              "kind" => "offline",
              "link_card" => false,
              "text" => {
                "rule" => "graphemes",
                "limit" => whole(limit, 1, MOST_TEXT, "limit")
              },
              "media" => {
                "needed" => picture_needed && true,
                "most" => whole(pictures, 0, MOST_PICTURES, "pictures"),
                "max_side" => 4_000
              }
            }
          )
        end

        def initials(value)
          text = Posts::Text.clean(value, field: "initials", limit: 10).strip
          return text if text.length.between?(1, 3)

          raise Invalid.new("bad_initials", "The initials are one to three letters.", field: "initials")
        end

        def whole(value, least, most, field)
          return value if value.is_a?(Integer) && value.between?(least, most)

          raise Invalid.new("bad_number", "This must be a whole number from #{least} to #{most}.", field: field)
        end
      end
    end
  end
end
