# frozen_string_literal: true

module AskFirst
  module Core
    module Posts
      # A schema for each part: takes what came in, gives the value as it is kept, or says what is wrong at which field.
      module PartValues
        UUID = /\A[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}\z/
        MEDIA = 20
        DESCRIPTION = 2_000
        COMMENT = 5_000
        TAGGED = 50
        PLACES = 20
        LANGUAGE = /\A[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*\z/ # a language tag in short, BCP 47
        MONEY = 10_000_000_000 # minor units: far above any boost, far below what an integer column holds
        POINTS = (0..1000) # a spot on a picture in thousandths of its sides

        module_function

        # @param part [String] one of Parts::ALL
        # @param value [Object] parsed JSON
        # @param now [Time] when it is written: a planned time is not decades away from it
        # @return [Object] canonical value
        # @raise [Invalid]
        def clean(part, value, now:)
          case part
          when "text"
            Text.clean(value, field: part)
          when "first_comment"
            Text.clean(value, field: part, limit: COMMENT)
          when "link"
            Link.clean(value)
          when "time"
            time(value, now)
          when "event"
            event(value, now)
          when *Parts::ALL
            public_send(part, value)
          else
            raise Invalid.new("part_unknown", "A post has no part “#{part}” that can be written here.", field: "part")
          end
        end

        def media(value)
          good =
            value.is_a?(Array) && value.size <= MEDIA && value.all? { |id| id.is_a?(String) && UUID.match?(id) } &&
              value.uniq == value
          return value if good

          raise Invalid.new(
                  "bad_media",
                  "Media must be a list of at most #{MEDIA} different files of this client.",
                  field: "media"
                )
        end

        # Media id => how it is cut: {"focus": [x, y], "shape": [w, h] or null, "zoom": 100 to 400}
        def framing(value)
          by_media("framing", value) { |frame| Media::Framing.clean(frame) }
        end

        def descriptions(value)
          by_media("descriptions", value) { |words| Text.clean(words, field: "descriptions", limit: DESCRIPTION) }
        end

        def by_media(part, value, &block)
          good = value.is_a?(Hash) && value.size <= MEDIA * 5 && value.all? { |id, _| UUID.match?(id) }
          raise Invalid.new("bad_#{part}", "This belongs to the media of this post.", field: part) unless good

          value.transform_values(&block)
        end

        # People and things on the spot of a picture: [{"name":, "media": id, "x":, "y":}]
        def tagged(value)
          rows = list("tagged", value, TAGGED, %w[name media x y])
          rows.map do |row|
            name = name(row["name"], "tagged")
            good =
              UUID.match?(row["media"].to_s) &&
                [row["x"], row["y"]].all? { |at| at.is_a?(Integer) && POINTS.cover?(at) }
            unless good
              raise Invalid.new(
                      "bad_spot",
                      "A tag stands on a spot of a picture.",
                      field: "tagged",
                      way_on: "Choose the spot on the picture."
                    )
            end

            { "name" => name, "media" => row["media"], "x" => row["x"], "y" => row["y"] }
          end
        end

        def call_to_action(value)
          value.nil? || value == "" ? nil : Text.clean(value, field: "call_to_action", limit: 60)
        end

        def format(value)
          return nil if value.nil? || value == ""
          return value if Formats[value]

          raise Invalid.new(
                  "no_such_format",
                  "There is no format “#{value.to_s[0, 40]}”.",
                  field: "format",
                  way_on: "Choose one of #{Formats::TABLE.keys.join(", ")}."
                )
        end

        # {"places": [words], "languages": [tags]}; nothing chosen is nothing kept
        def audience(value)
          return nil if value.nil?

          fields("audience", value, %w[places languages])
          places = words(value["places"], "audience", PLACES)
          languages = words(value["languages"], "audience", PLACES)
          bad = languages.find { |tag| !LANGUAGE.match?(tag) }
          if bad
            raise Invalid.new(
                    "bad_language",
                    "“#{bad[0, 20]}” is no language tag.",
                    field: "audience",
                    way_on: "Write pt, en or pt-BR."
                  )
          end

          places.empty? && languages.empty? ? nil : { "places" => places, "languages" => languages }
        end

        # {"name":, "place":, "starts": wall, "ends": wall or nil, "zone":}
        def event(value, now)
          return nil if value.nil?

          fields("event", value, %w[name place starts ends zone])
          starts = Plan::WallTime.parse(value["starts"].to_s, value["zone"].to_s, field: "event")
          ends = value["ends"] && Plan::WallTime.parse(value["ends"].to_s, value["zone"].to_s, field: "event")
          [starts, ends].compact.each { |time| Plan::Bounds.require!(time, now, field: "event") }
          if ends && ends.at <= starts.at
            raise Invalid.new(
                    "event_ends_first",
                    "The event ends before it starts.",
                    field: "event",
                    way_on: "Look at its two times."
                  )
          end

          {
            "name" => name(value["name"], "event"),
            "place" => Text.clean(value["place"] || "", field: "event", limit: 200).strip,
            "starts" => starts.to_h["wall"],
            "ends" => ends && ends.to_h["wall"],
            "zone" => starts.zone
          }
        end

        # {"minor": whole minor units, "currency": ISO 4217}
        def budget(value)
          return nil if value.nil?

          fields("budget", value, %w[minor currency])
          minor = value["minor"]
          unless minor.is_a?(Integer) && minor.between?(0, MONEY)
            raise Invalid.new(
                    "bad_budget",
                    "A budget is a whole number of the currency's smallest unit, and not less than nothing.",
                    field: "budget"
                  )
          end

          if minor.zero?
            nil
          else
            { "minor" => minor, "currency" => Campaigns::Currency.clean(value["currency"], field: "budget") }
          end
        end

        def time(value, now)
          return nil if value.nil?
          unless value.is_a?(Hash) && value["wall"].is_a?(String) && value["zone"].is_a?(String)
            raise Invalid.new("bad_time", "A time needs a date, an hour and a zone.", field: "time")
          end

          time = Plan::WallTime.parse(value["wall"], value["zone"], field: "time")
          Plan::Bounds.require!(time, now, field: "time")
          time.to_h
        end

        def name(value, field)
          text = Text.clean(value || "", field: field, limit: 80).strip
          return text unless text.empty?

          raise Invalid.new("name_missing", "A name is missing.", field: field, way_on: "Give it one.")
        end

        def words(value, field, most)
          good = value.nil? || (value.is_a?(Array) && value.size <= most && value.all?(String))
          raise Invalid.new("bad_list", "This must be a list of at most #{most}.", field: field) unless good

          Array(value).map { |one| Text.clean(one, field: field, limit: 120).strip }.reject(&:empty?).uniq
        end

        def fields(field, value, keys)
          return value if value.is_a?(Hash) && (value.keys - keys).empty?

          raise Invalid.new(
                  "bad_#{field}",
                  "This takes #{keys.join(", ")}.",
                  field: field,
                  way_on: "Load the page again."
                )
        end

        def list(field, value, most, keys)
          good =
            value.is_a?(Array) && value.size <= most && value.all? { |row| row.is_a?(Hash) && (row.keys - keys).empty? }
          return value if good

          raise Invalid.new("bad_list", "This must be a list of at most #{most}.", field: field)
        end
      end
    end
  end
end
