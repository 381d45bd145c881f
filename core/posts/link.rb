# frozen_string_literal: true

module AskFirst
  module Core
    module Posts
      # The link of a post: its address, tracking tags of its own, the card that is shown for it, and what becomes of
      # the bare address in the text where a network shows a card.
      module Link
        BARE = %w[keep drop].freeze
        CARD_TITLE = 300
        CARD_WORDS = 1_000

        module_function

        # @param value [nil, String, Hash] an address alone, or {"address", "tags", "card", "bare"}
        # @return [Hash, nil] as it is kept
        # @raise [Invalid]
        def clean(value)
          value = { "address" => value } unless value.is_a?(Hash)
          refuse unless (value.keys - %w[address tags card bare]).empty?
          address = WebAddress.clean(value["address"])
          return nil if address.nil?

          bare = value.fetch("bare", "keep")
          refuse unless BARE.include?(bare)
          {
            "address" => address,
            "tags" => value["tags"] && Tracking.clean(value["tags"]),
            "card" => value["card"] && card(value["card"]),
            "bare" => bare
          }
        end

        # What the link card says, where a person replaced what the page says of itself.
        def card(value)
          refuse unless value.is_a?(Hash) && (value.keys - %w[title words picture]).empty?
          title = Text.clean(value["title"] || "", field: "link", limit: CARD_TITLE).strip
          words = Text.clean(value["words"] || "", field: "link", limit: CARD_WORDS).strip
          picture = value["picture"]
          refuse unless picture.nil? || PartValues::UUID.match?(picture.to_s)
          return nil if title.empty? && words.empty? && picture.nil?

          { "title" => title, "words" => words, "picture" => picture }
        end

        # @param link [Hash, nil]
        # @param tags [Hash] of the channel, used where the link has none of its own
        # @return [String, nil] the address as it goes out
        def final(link, tags)
          link && Tracking.append(link["address"], link["tags"] || tags)
        end

        # @return [String, nil] id of the picture that the card was given
        def picture(link)
          link&.dig("card", "picture")
        end

        def refuse
          raise Invalid.new(
                  "bad_link",
                  "A link has an address, tags and a card.",
                  field: "link",
                  way_on: "Load the page again."
                )
        end
        private_class_method :refuse
      end
    end
  end
end
