# frozen_string_literal: true

module AskFirst
  module Core
    module Channels
      # A network card: what a network takes, and how it can be asked. A value, read once where it comes in
      # (CardReading), so that nothing digs in what a network happened to send.
      #
      # formats: names of Posts::Formats, in their order · by_hand: formats that its protocol does not take ·
      # hashtags, tagged: how many at most · first_comment: its limit · call_to_action, audience: the kinds that it
      # knows; each nil where it has no such thing · settles_within: seconds until an accepted post shows
      Card =
        Struct.new(
          :name,
          :initials,
          :kind,
          :text,
          :media,
          :formats,
          :by_hand,
          :link_card,
          :hashtags,
          :tagged,
          :first_comment,
          :call_to_action,
          :audience,
          :event,
          :budget,
          :finds_by_id,
          :same_id_once,
          :settles_within,
          :keeps_planned,
          keyword_init: true
        ) do
          # The card as it was kept. Whatever is missing there gets the least that can be meant.
          # @param hash [Hash]
          # @return [Card]
          def self.read(hash)
            CardReading.read(hash)
          end

          # A card as a network sends it.
          # @param hash [Object]
          # @return [Card]
          # @raise [Invalid] bad_card, with what is wrong
          def self.parse(hash)
            why = CardFaults.first(hash)
            if why
              raise Invalid.new(
                      "bad_card",
                      "The network's card cannot be used: #{why}.",
                      field: "network",
                      way_on: "Ask its operator for a card that is in order."
                    )
            end

            read(hash)
          end

          # As it is kept and handed on: `read` makes an equal card of it.
          # @return [Hash] JSON-ready
          def to_json_hash
            {
              "name" => name,
              "initials" => initials,
              "kind" => kind,
              "link_card" => link_card,
              "text" => text.to_h.compact.transform_keys(&:to_s),
              "media" => media.to_h.compact.transform_keys(&:to_s),
              "formats" => formats,
              "by_hand" => by_hand,
              "hashtags" => hashtags && { "most" => hashtags },
              "tagged" => tagged && { "most" => tagged },
              "first_comment" => first_comment && { "limit" => first_comment },
              "call_to_action" => call_to_action && { "kinds" => call_to_action },
              "audience" => audience,
              "event" => event,
              "budget" => budget,
              "finds_by_id" => finds_by_id,
              "same_id_once" => same_id_once,
              "settles_within" => settles_within,
              "keeps_planned" => keeps_planned
            }.compact
          end
        end

      # How text is counted and where it ends. rule: of Checks::Counting::RULES · limit, fold: in its units · link,
      # emoji, default, ranges: weights of the rule "weighted"
      Card::Text = Struct.new(:rule, :limit, :fold, :link, :emoji, :default, :ranges, keyword_init: true)

      # What files it takes. ratio: [[w, h] narrowest, [w, h] widest] · max_side: pixels · min_side: pixels of the
      # shorter side from which on a picture looks well, or nil · description: characters · seconds: [least, most] ·
      # one_shape: a set is shown in the shape of its first picture
      Card::Media =
        Struct.new(
          :needed,
          :most,
          :kinds,
          :ratio,
          :one_shape,
          :max_side,
          :min_side,
          :description,
          :seconds,
          keyword_init: true
        ) do
          # @return [Media] the same, of one shape
          def shaped(width, height)
            dup.tap { |media| media.ratio = [[width, height], [width, height]] }.freeze
          end
        end
    end
  end
end
