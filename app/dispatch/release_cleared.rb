# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Releases what has all its yeses and passes a route that releases by itself. What cannot be released waits for a
      # person as everywhere else; so does what somebody has stopped, by taking it back or opening it, until there is a
      # new yes.
      class ReleaseCleared < Act
        of_process

        def call(post_ids:)
          Store::Locks.for_member(scope)
          return if workspace[:archived_at] || workspace[:deleted_at]

          ids = Store::Locks.for_posts(scope, post_ids)
          found = post_states(ids).each_value.to_h { |post| [post, ready(post)] }
          stops = Store::Dispatch::Stops.of(scope, found.values.flatten.map(&:id))
          stopped = stops.select { |_, facts| Core::Dispatch::Stopped.by_person?(facts) }
          chosen = found.transform_values { |ready| ready.reject { |one| stopped.key?(one.id) } }
          chosen = chosen.reject { |_, ready| ready.empty? }
          Releasing.call(environment, member, posts: chosen) if chosen.any?
        end

        private

        def ready(post)
          return [] unless post.route[:releases_itself]

          Releasable.among(post.adaptations).select { |one| Releasable.refusal(one, now).nil? }
        end
      end
    end
  end
end
