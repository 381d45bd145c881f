# frozen_string_literal: true

module AskFirst
  module Core
    module Ideas
      # A thought kept for later, as a person gives it.
      module Idea
        STATUSES = %w[thought ready aside].freeze
        TITLE = Lengths::IDEA_TITLE
        LIMITS = { "note" => 20_000, "audience" => 500, "category" => 60 }.freeze
        LINES = %w[audience category].freeze
        MEDIA = 10

        module_function

        # @param given [Hash] any of title, note, link, audience, category, status, due_on, keywords, media_ids
        # @return [Hash{Symbol=>Object}] as they are kept
        # @raise [Invalid] title_missing, too_long, bad_address, bad_status, bad_day, bad_keywords, too_many_media
        def clean(given)
          kept = LIMITS.slice(*given.keys).to_h { |key, limit| [key.to_sym, words(given[key], key, limit)] }
          kept[:title] = title(given["title"]) if given.key?("title")
          kept[:link] = Posts::WebAddress.clean(given["link"], field: "link") if given.key?("link")
          kept[:status] = status(given["status"]) if given.key?("status")
          kept[:due_on] = day(given["due_on"]) if given.key?("due_on")
          kept[:keywords] = Keywords.clean(given["keywords"]) if given.key?("keywords")
          kept[:media_ids] = media(given["media_ids"]) if given.key?("media_ids")
          kept
        end

        # @return [String] the title that a thought without one gets: the first words of its note
        def title_of(note)
          line = Posts::Text.line(note.to_s.strip.lines.first.to_s, field: "note")
          line.length > 80 ? "#{line[0, 79].rpartition(" ").first}…" : line
        end

        def title(value)
          text = Posts::Text.line(value.to_s, field: "title", limit: TITLE)
          return text unless text.empty?

          raise Invalid.new(
                  "title_missing",
                  "An idea needs some words to be found by.",
                  field: "title",
                  way_on: "Give it a title."
                )
        end

        def words(value, key, limit)
          LINES.include?(key) ? Posts::Text.line(value, field: key, limit: limit) : note(value, key, limit)
        end

        def note(value, key, limit) = Posts::Text.clean(value, field: key, limit: limit).strip

        def status(value)
          return value if STATUSES.include?(value)

          raise Invalid.new(
                  "bad_status",
                  "An idea is a thought, ready, or set aside.",
                  field: "status",
                  way_on: "Choose one of them."
                )
        end

        def day(value)
          value && value != "" ? Date.iso8601(value) : nil
        rescue Date::Error, TypeError
          raise Invalid.new(
                  "bad_day",
                  "“#{value.to_s[0, 20]}” is no day of the calendar.",
                  field: "due_on",
                  way_on: "Choose a day, or leave it empty."
                )
        end

        def media(ids)
          ids = Array(ids).uniq
          return ids if ids.size <= MEDIA && ids.all? { |id| Uuid::FORMAT.match?(id.to_s) }

          raise TooMany.new(
                  "An idea holds #{MEDIA} files at most.",
                  of: "media",
                  field: "media_ids",
                  way_on: "Leave some in the library; they can be put into the post later."
                )
        end
        private_class_method :title, :words, :note, :status, :day, :media
      end
    end
  end
end
