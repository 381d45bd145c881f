# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # One medium with the posts that it is in, as far as the reader sees them.
      class Medium < LibraryAct
        opens :media, "see_post"

        # @return [Hash] JSON-ready
        def call(media_id:)
          found = library.one(media_id) or raise Core::NotFound, "This file"
          {
            **Card.json(found, names, today),
            posts: Posts::ListPosts.lines(scope, library.posts_with(media_id)),
            near: near(found),
            versions: library.versions(found).map { |one| version(one) },
            can: can
          }
        end

        private

        def version(one)
          one.slice(:id, :number).merge(by: names[one[:added_by]], at: one[:added_at].iso8601, edited: !one[:edit].nil?)
        end

        # Those that look nearly the same, as far as the reader sees them.
        def near(found)
          first = found[:near_to] || found[:id]
          ids = rows(:media).where(Sequel.|({ near_to: first }, { id: first })).where(replaced_by: nil)
          ids = ids.exclude(id: found[:id]).select_map(:id)
          library.some(ids).map { |one| one.slice(:id, :name, :width, :height) }
        end
      end
    end
  end
end
