# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # What can be done about a finding in one click: another value for a part, or the place where it is mended.
      #
      # A mend is {words:, part:, value:} (save this), {words:, times:} (give these channels these times), or {words:,
      # show:} (go there).
      module Mends
        SHOWS = {
          "description_missing" => %w[describe descriptions],
          "cut_away" => ["crop it yourself", "framing"],
          "mention_unspelled" => ["give a spelling", "mentions"],
          "tag_unspelled" => ["give a spelling", "mentions"],
          "flooding" => ["give it its own time", "time"],
          "flooding_nearby" => ["give it its own time", "time"],
          "clash" => ["give it its own time", "time"],
          "picture_missing" => ["add one", "media"],
          "format_needs" => ["add it", "media"],
          "link_missing" => ["give the address", "link"]
        }.freeze
        SPREADS = %w[flooding flooding_nearby clash].freeze

        module_function

        # @param finding [PostChecks::Finding]
        # @param parts [Hash] resolved parts
        # @param card [Channels::Card]
        # @param spread [Array<Hash>] {channel_id:, name:, wall:}: the proposal to spread out (Spreading)
        # @return [Hash, nil]
        def for(finding, parts, card, spread: [])
          return { words: "spread out", times: spread } if SPREADS.include?(finding.code) && spread.any?

          case finding.code
          when "hashtag_doubled"
            save("take the repeats out", "text", without_repeats(parts["text"]), parts)
          when "styled_letters"
            save("make them plain letters", "text", plain_letters(parts["text"]), parts)
          when "hidden_characters"
            save("take them out", "text", parts["text"].gsub(ReadAloud::HIDDEN, ""), parts)
          when "too_many_hashtags"
            save("keep the first #{card.hashtags}", "text", first_tags(parts["text"], card.hashtags), parts)
          when "too_many_pictures"
            save("keep the first #{card.media.most}", "media", parts["media"].first(card.media.most), parts)
          when "format_not_taken"
            save("make it automatic", "format", nil, parts)
          else
            words, show = SHOWS[finding.code]
            show && { words: words, show: show }
          end
        end

        def save(words, part, value, parts)
          value == parts[part] ? nil : { words: words, part: part, value: value }
        end

        # Each hashtag stays where it first stands.
        def without_repeats(text)
          seen = {}
          each_tag(text) { |tag| seen.key?(tag.downcase(:fold)) ? false : seen[tag.downcase(:fold)] = true }
        end

        def first_tags(text, most)
          kept = 0
          each_tag(text) { (kept += 1) <= most }
        end

        # @yieldreturn [Boolean] whether it stays; what goes takes the white space before it along
        def each_tag(text)
          links = Links.find(text).map { |from, length| from...(from + length) }
          taken =
            text.gsub(/[ \t]*#{Hashtags::TAG}/) do |whole|
              match = Regexp.last_match
              next whole if links.any? { |range| range.cover?(match.begin(1)) }

              yield(match[1].unicode_normalize(:nfkc)) ? whole : ""
            end
          taken.gsub(/^[ \t]+(?=#)/, "").rstrip
        end

        def plain_letters(text)
          text.gsub(ReadAloud::STYLED) { |letter| letter.unicode_normalize(:nfkc) }
        end
        private_class_method :save, :without_repeats, :first_tags, :each_tag, :plain_letters
      end
    end
  end
end
