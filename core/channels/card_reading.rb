# frozen_string_literal: true

module AskFirst
  module Core
    module Channels
      # Reads a network card out of JSON, with what is meant where it says nothing.
      module CardReading
        module_function

        # @param hash [Hash]
        # @return [Card]
        def read(hash)
          media = media(hash["media"] || {})
          Card.new(
            name: hash["name"],
            initials: hash["initials"],
            kind: hash["kind"],
            text: text(hash["text"] || {}),
            media: media,
            formats: formats(hash, media),
            by_hand: Array(hash["by_hand"]),
            link_card: hash["link_card"] == true,
            hashtags: hash.dig("hashtags", "most"),
            tagged: hash.dig("tagged", "most"),
            first_comment: hash.dig("first_comment", "limit"),
            call_to_action: hash.dig("call_to_action", "kinds"),
            audience: hash["audience"],
            event: hash["event"] == true,
            budget: hash["budget"] == true,
            finds_by_id: hash["finds_by_id"] == true,
            same_id_once: hash["same_id_once"] == true,
            settles_within: hash["settles_within"] || 0,
            keeps_planned: hash["keeps_planned"] == true
          ).freeze
        end

        # @param hash [Hash] the card's "text"
        # @return [Card::Text]
        def text(hash)
          Card::Text.new(
            rule: hash["rule"] || "graphemes",
            limit: hash["limit"] || CardFaults::TEXT.max,
            fold: hash["fold"],
            link: hash["link"],
            emoji: hash["emoji"],
            default: hash["default"],
            ranges: hash["ranges"]
          ).freeze
        end

        # @param hash [Hash] the card's "media"
        # @return [Card::Media]
        def media(hash)
          Card::Media.new(
            needed: hash["needed"] == true,
            most: hash["most"] || 0,
            kinds: hash["kinds"] || ["picture"],
            ratio: hash["ratio"],
            one_shape: hash["one_shape"] == true,
            max_side: hash["max_side"] || CardFaults::SIDES.max,
            min_side: hash["min_side"],
            description: hash["description"],
            seconds: hash["seconds"]
          ).freeze
        end

        # A card that does not say takes what its media rules let through.
        def formats(hash, media)
          known = Posts::Formats::TABLE
          return hash["formats"] & known.keys if hash["formats"]

          found =
            known
              .values
              .select do |format|
                format.kinds.intersect?(media.kinds) && media.most >= format.least && format.name != "story"
              end
              .map(&:name)
          return found if media.needed

          found = ["text", *found]
          hash["link_card"] ? [*found, "link"] : found
        end

        private_class_method :formats
      end
    end
  end
end
