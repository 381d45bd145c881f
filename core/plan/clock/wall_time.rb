# frozen_string_literal: true

require "tzinfo"

module AskFirst
  module Core
    module Plan
      # A local wall time with its zone: the truth about when a post goes out. The instant follows from the zone's
      # rules.
      #
      # A wall time that does not exist (the clock goes forward) is read with the offset before the gap; one that occurs
      # twice (the clock goes back) is the first. Source: RFC 5545, section 3.3.5, form #3.
      class WallTime
        FORMAT = /\A(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})(?::(\d{2}))?\z/

        attr_reader :wall, :zone

        # @param text [String] "2026-10-15T07:30" or with seconds
        # @param zone [String] an IANA name such as "Europe/Lisbon"
        # @raise [Invalid] bad_time, bad_zone
        def self.parse(text, zone, field: "time")
          digits = FORMAT.match(text) or raise bad(text, field)
          new(Time.utc(*digits.captures.map(&:to_i)), zone, digits: digits, field: field)
        rescue ArgumentError
          raise bad(text, field)
        end

        # What was stored. A year that no plan holds any more (see Bounds) is read as no time at all, so that whatever
        # stands there opens, goes nowhere and can be mended.
        # @param value [Hash, nil] {"wall" =>, "zone" =>}
        # @return [WallTime, nil]
        def self.stored(value)
          parse(value["wall"], value["zone"]) if kept?(value)
        end

        # @param value [Hash, nil]
        # @return [Boolean] whether it is a time that a plan holds
        def self.kept?(value)
          !value.nil? && value["wall"].to_s[0, 4].to_i.between?(Bounds::FIRST_YEAR, Bounds::LAST_READ)
        end

        # @param instant [Time]
        def self.at(instant, zone)
          local = timezone(zone).to_local(instant)
          new(Time.utc(local.year, local.month, local.day, local.hour, local.min, local.sec), zone)
        end

        def self.timezone(name, field: "zone")
          TZInfo::Timezone.get(name)
        rescue TZInfo::InvalidTimezoneIdentifier
          raise Invalid.new(
                  "bad_zone",
                  "“#{name}” is not a time zone.",
                  field: field,
                  way_on: "Choose one such as Europe/Lisbon."
                )
        end

        def self.bad(text, field)
          Invalid.new(
            "bad_time",
            "“#{text.to_s[0, 40]}” is not a date and time.",
            field: field,
            way_on: "Write it like 2026-10-15T07:30."
          )
        end

        # @param wall [Time] the digits of the wall time, carried in a UTC value
        def initialize(wall, zone, digits: nil, field: "time")
          # Time.utc rolls 31 February into March; a planned time is never moved silently
          if digits && (wall.month != digits[2].to_i || wall.day != digits[3].to_i || digits[4].to_i > 23)
            raise self.class.bad(digits[0], field)
          end

          @wall = wall
          @zone = zone
          @tz = self.class.timezone(zone, field: field)
          freeze
        end

        # @return [Time] the instant, in UTC
        def at
          period = @tz.periods_for_local(wall)
          return (wall - period.min_by { |p| wall - p.observed_utc_offset }.observed_utc_offset).utc if period.any?

          (wall - offset_before_gap).utc
        end

        # @return [Symbol] :ordinary, :gap (does not exist that day) or :doubled (occurs twice; the first is meant)
        def kind
          case @tz.periods_for_local(wall).size
          when 0
            :gap
          when 1
            :ordinary
          else
            :doubled
          end
        end

        # A moment by the clock of a zone, with its place.
        # @param instant [Time]
        # @return [String] "Thu 15 Oct 2026, 7:30 Lisbon"
        def self.said(instant, zone) = at(instant, zone).said

        # @return [String] "Thu 15 Oct 2026, 7:30 Lisbon"
        def said = "#{Posts::InWords.time(wall)} #{place}"

        # @return [String] the zone as people say it, such as "New York"
        def place = zone.split("/").last.tr("_", " ")

        # @return [String] "2026-10-15T07:30:00"
        def text
          wall.strftime("%Y-%m-%dT%H:%M:%S")
        end

        def local_date
          wall.strftime("%Y-%m-%d")
        end

        # @param name [String] another zone, such as the client's
        # @return [String] the date there at this instant
        def local_date_in(name)
          self.class.at(at, name).local_date
        end

        # @return [Boolean] whether it is the same instant, in whatever zone either is written
        def same_instant?(other)
          other.is_a?(WallTime) && at == other.at
        end

        def to_h
          { "wall" => text, "zone" => zone }
        end

        def ==(other)
          other.is_a?(WallTime) && text == other.text && zone == other.zone
        end
        alias eql? ==

        def hash
          [text, zone].hash
        end

        private

        # Within a gap the hour before it still tells the offset; no zone jumps by more than a day.
        def offset_before_gap
          day_before = wall - 86_400
          transition =
            @tz
              .transitions_up_to(wall + 86_400, day_before - 86_400)
              .reverse
              .find do |t|
                from = t.at.to_i + t.previous_offset.observed_utc_offset
                to = t.at.to_i + t.offset.observed_utc_offset
                from <= wall.to_i && wall.to_i < to
              end
          transition.previous_offset.observed_utc_offset
        end
      end
    end
  end
end
