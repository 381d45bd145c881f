# frozen_string_literal: true

module AskFirst
  module Core
    module Channels
      # What a network takes, in words and in one order, so that networks can be read beside each other.
      module CardInWords
        RULES = {
          "graphemes" => "characters as a reader sees them",
          "code_points" => "code points",
          "utf16_units" => "UTF-16 units, so that most emoji count two or more",
          "bytes_utf8" => "bytes",
          "weighted" => "weights by writing system"
        }.freeze
        LINES = {
          "Text" => :text,
          "Counted in" => :rule,
          "Folded after" => :fold,
          "Formats" => :formats,
          "Published by hand" => :by_hand,
          "Files" => :files,
          "Shape of a picture" => :shape,
          "Longest side" => :side,
          "Looks well from" => :least,
          "Length of a video" => :seconds,
          "Description of a picture" => :description,
          "Link card" => :link_card,
          "Hashtags" => :hashtags,
          "People tagged" => :tagged,
          "First comment" => :first_comment,
          "Call to action" => :call_to_action,
          "Event" => :event,
          "Boost" => :boost,
          "Planned posts" => :planned
        }.freeze

        module_function

        # @param card [Card]
        # @return [Hash{String=>String, nil}] what about => what holds; nil where it has no such thing
        def of(card) = LINES.transform_values { |line| send(line, card) }

        def text(card) = "at most #{grouped(card.text.limit)}"
        def rule(card) = RULES[card.text.rule]
        def fold(card) = card.text.fold && grouped(card.text.fold)
        def formats(card) = listed(card.formats.map { |name| format_words(name) })
        def by_hand(card) = listed(card.by_hand.map { |name| format_words(name) })

        def files(card)
          return if card.media.most.zero?

          kinds = listed(card.media.kinds.map { |kind| "#{kind}s" })
          card.media.needed ? "1 to #{card.media.most}, #{kinds}" : "up to #{card.media.most}, #{kinds}"
        end

        def shape(card)
          return if card.media.most.zero? || card.media.ratio.nil?

          narrow, wide = card.media.ratio.map { |width, height| "#{width}:#{height}" }
          range = narrow == wide ? narrow : "#{narrow} to #{wide}"
          card.media.one_shape ? "#{range}, a set in the shape of its first" : range
        end

        def side(card) = card.media.most.zero? ? nil : "#{grouped(card.media.max_side)} pixels"
        def least(card) = card.media.min_side && "#{grouped(card.media.min_side)} pixels on the shorter side"
        def seconds(card) = card.media.seconds && "#{card.media.seconds.join(" to ")} seconds"
        def description(card) = card.media.description && "at most #{grouped(card.media.description)} characters"
        def link_card(card) = card.link_card ? "shown" : nil
        def hashtags(card) = card.hashtags && "at most #{card.hashtags}"
        def tagged(card) = card.tagged && "at most #{card.tagged}"
        def first_comment(card) = card.first_comment && "at most #{grouped(card.first_comment)}"
        def call_to_action(card) = card.call_to_action && listed(card.call_to_action.map { |kind| kind.tr("_", " ") })
        def event(card) = card.event ? "yes" : nil
        def boost(card) = card.budget ? "yes" : nil
        def planned(card) = card.keeps_planned ? "kept by the network itself" : nil

        def format_words(name) = Posts::Formats::TABLE[name]&.words || name
        def listed(words) = words.empty? ? nil : words.join(", ")
        def grouped(number) = number.to_s.reverse.scan(/\d{1,3}/).join(",").reverse
        private_class_method(*(LINES.values + %i[format_words listed grouped]))
      end
    end
  end
end
