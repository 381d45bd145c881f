# frozen_string_literal: true

module AskFirst
  module Core
    module Channels
      # What is wrong with a network card as a network sends it. A rule, a limit or a shape that is not known here
      # would make every check that rests on it wrong, so such a card is refused as a whole, with the first thing that
      # is wrong in it.
      module CardFaults
        KINDS = %w[picture video document].freeze
        TEXT = (1..1_000_000) # units of the counting rule
        FILES = (0..100)
        SIDES = (100..20_000) # pixels
        SETTLES = (0..86_400) # seconds
        FORMATS = Posts::Formats::TABLE.keys.freeze

        module_function

        def whole?(value, range) = value.is_a?(Integer) && range.cover?(value)
        def words?(value, range) = value.is_a?(String) && range.cover?(value.strip.length)
        def list?(value, &each) = value.is_a?(Array) && value.any? && value.all?(&each)
        def names?(value) = list?(value) { |one| words?(one, 1..60) }
        def pair?(value, &each) = list?(value, &each) && value.size == 2
        def weights?(text) =
          text.values_at("link", "emoji", "default").all? { |weight| whole?(weight, 0..1_000) } &&
            list?(text["ranges"]) { |range| range?(range) }
        def range?(value) = list?(value) { |one| whole?(one, 0..0x10FFFF) } && value.size == 3 && value[0] <= value[1]
        def shape?(value) = pair?(value) { |one| whole?(one, 1..10_000) }
        def shapes?(value) = pair?(value) { |one| shape?(one) } && Rational(*value[0]) <= Rational(*value[1])
        def lengths?(value) = pair?(value) { |one| whole?(one, 0..36_000) } && value[0] <= value[1]
        def number?(value, name) = value.is_a?(Hash) && whole?(value[name], 0..TEXT.max)

        # [what is wrong, what holds where it is right], in the order in which it is looked at; text and media are
        # there from their first row on
        TABLE = [
          ["it is no list of rules", ->(card) { card.is_a?(Hash) }],
          ["it has no name", ->(card) { words?(card["name"], 1..60) }],
          ["its initials are not one to three letters", ->(card) { words?(card["initials"], 1..3) }],
          ["its kind is not in words", ->(card) { words?(card["kind"], 1..60) }],
          ["it does not say how text is counted", ->(card) { card["text"].is_a?(Hash) }],
          [
            ->(card) { "its counting rule “#{card["text"]["rule"].to_s[0, 40]}” is not known here" },
            ->(card) { Checks::Counting::RULES.include?(card["text"]["rule"]) }
          ],
          ["its limit of text is not a number from 1 to #{TEXT.max}", ->(card) { whole?(card["text"]["limit"], TEXT) }],
          [
            "its fold is not within its limit",
            ->(card) { card["text"]["fold"].nil? || whole?(card["text"]["fold"], 1..card["text"]["limit"]) }
          ],
          [
            "its weights of text are not complete",
            ->(card) { card["text"]["rule"] != "weighted" || weights?(card["text"]) }
          ],
          ["it does not say what files it takes", ->(card) { card["media"].is_a?(Hash) }],
          ["its number of files is not one from 0 to #{FILES.max}", ->(card) { whole?(card["media"]["most"], FILES) }],
          [
            "it takes kinds of file that are not known here",
            ->(card) { card["media"]["kinds"].nil? || list?(card["media"]["kinds"]) { |kind| KINDS.include?(kind) } }
          ],
          [
            "its shapes of pictures are not two, the narrowest first",
            ->(card) { card["media"]["ratio"].nil? || shapes?(card["media"]["ratio"]) }
          ],
          [
            "its longest side is not a number from #{SIDES.min} to #{SIDES.max}",
            ->(card) { whole?(card["media"]["max_side"], SIDES) }
          ],
          [
            "its shortest side is not a number within its longest",
            ->(card) do
              card["media"]["min_side"].nil? || whole?(card["media"]["min_side"], 1..card["media"]["max_side"])
            end
          ],
          [
            "its limit of descriptions is not a number",
            ->(card) { card["media"]["description"].nil? || whole?(card["media"]["description"], TEXT) }
          ],
          [
            "its lengths of videos are not two, the shortest first",
            ->(card) { card["media"]["seconds"].nil? || lengths?(card["media"]["seconds"]) }
          ],
          [
            "it takes no format that is known here",
            ->(card) { card["formats"].nil? || (card["formats"].is_a?(Array) && card["formats"].intersect?(FORMATS)) }
          ],
          [
            "its formats by hand are not a list",
            ->(card) { card["by_hand"].nil? || card["by_hand"] == [] || names?(card["by_hand"]) }
          ],
          [
            "its number of hashtags is not one",
            ->(card) { card["hashtags"].nil? || number?(card["hashtags"], "most") }
          ],
          [
            "its number of tagged people is not one",
            ->(card) { card["tagged"].nil? || number?(card["tagged"], "most") }
          ],
          [
            "its limit of a first comment is not a number",
            ->(card) { card["first_comment"].nil? || number?(card["first_comment"], "limit") }
          ],
          [
            "its calls to action are not a list",
            ->(card) do
              card["call_to_action"].nil? ||
                (card["call_to_action"].is_a?(Hash) && names?(card["call_to_action"]["kinds"]))
            end
          ],
          ["its kinds of audience are not a list", ->(card) { card["audience"].nil? || names?(card["audience"]) }],
          [
            "its time to settle is not a number of seconds up to a day",
            ->(card) { card["settles_within"].nil? || whole?(card["settles_within"], SETTLES) }
          ]
        ].freeze

        # @param card [Object] parsed JSON
        # @return [String, nil] what is wrong; nil for a card that is in order
        def first(card)
          said, = TABLE.find { |_, right| !right.call(card) }
          said.respond_to?(:call) ? said.call(card) : said
        end
      end
    end
  end
end
