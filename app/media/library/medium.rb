# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # One medium with the posts that it is in, as far as the reader sees them.
      class Medium < LibraryAct
        reads :media, "see_post"

        SHOWN = 86_400 # seconds that it is told what went wrong

        # @return [Hash] JSON-ready
        def call(media_id:)
          found = library.one(media_id) or raise Core::NotFound, "This file"
          {
            **card(found),
            place: place,
            posts: Posts::ListPosts.lines(scope, library.posts_with(media_id)),
            near: near(found),
            making: making,
            versions: library.versions(found).map { |one| version(one) },
            can: can
          }
        end

        private

        # Where it was taken, for those who work with it; what is sent does not say it.
        def place
          return if row[:latitude].nil? || !can[:add_media][:ok]

          row.slice(:latitude, :longitude)
        end

        # Films that are being made of it, and those of today that could not be made.
        def making
          library
            .making(row[:id], now - SHOWN)
            .map { |one| { id: one[:id], by: names[one[:person_id]], at: one[:asked_at].iso8601, wrong: one[:wrong] } }
        end

        def version(one)
          one.slice(:id, :number).merge(by: names[one[:added_by]], at: one[:added_at].iso8601, edited: !one[:edit].nil?)
        end

        # Those that look nearly the same, as far as the reader sees them.
        def near(found)
          library.near(found).map { |one| one.slice(:id, :name, :width, :height) }
        end
      end
    end
  end
end
