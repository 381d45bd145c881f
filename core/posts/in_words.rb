# frozen_string_literal: true

require "date"

module AskFirst
  module Core
    module Posts
      # What is set beside text and media of a request, as people say it, down to the spot of a tag and the picture of a
      # card, so that a change of any of them can be read.
      module InWords
        DAY = "%a %-d %b %Y"
        CLOCK = "%-H:%M"

        module_function

        # @param key [String] of a request, such as "audience"
        # @param value [Object] as the request holds it
        # @return [String, nil] nil for nothing
        def of(key, value)
          return nil if [nil, "", [], {}].include?(value)

          case key
          when "format"
            Formats[value]&.words || value
          when "budget"
            Campaigns::Currency.words(value["minor"], value["currency"])
          when "audience"
            audience(value)
          when "event"
            event(value)
          when "tagged"
            value.map { |one| tag(one) }.join(", ")
          when "link_card"
            card(value)
          else
            value.to_s
          end
        end

        # @param wall [Time] the digits of a wall time
        # @return [String] "Thu 15 Oct 2026, 7:30"
        def time(wall)
          wall.strftime("#{DAY}, #{CLOCK}")
        end

        def audience(value)
          [value["places"], value["languages"]].compact.reject(&:empty?).map { |list| list.join(", ") }.join("; in ")
        end

        def event(value)
          starts = DateTime.parse(value["starts"])
          ends = value["ends"] && DateTime.parse(value["ends"])
          span = [
            time(starts),
            ends && (ends.to_date == starts.to_date ? ends.strftime(CLOCK) : time(ends))
          ].compact.join(" to ")
          [value["name"], value["place"], span].reject { |words| words.to_s.empty? }.join(", ")
        end

        # The spot in hundredths of the picture's sides, from its top left corner.
        def tag(one)
          "#{one["id"]} on picture #{one["media"] + 1} at #{percent(one["x"])} and #{percent(one["y"])} %"
        end

        def percent(thousandths)
          (thousandths % 10).zero? ? thousandths / 10 : thousandths / 10.0
        end

        def card(value)
          words = [value["title"], value["words"]].reject { |one| one.to_s.empty? }.join(": ")
          [words, value["picture"] && "picture #{value["picture"][0, 8]}"].compact.reject(&:empty?).join(", ")
        end
        private_class_method :audience, :event, :tag, :percent, :card
      end
    end
  end
end
