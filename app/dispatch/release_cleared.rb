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
          Store::Gates.for_member(scope)
          return if workspace[:archived_at] || workspace[:deleted_at]

          ids = Store::Gates.for_posts(scope, post_ids)
          chosen = standing(ids).each_value.to_h { |post| [post, ready(post)] }.reject { |_, ready| ready.empty? }
          Releasing.call(kit, member, posts: chosen) if chosen.any?
        end

        private

        def ready(post)
          return [] unless post.route[:releases_itself]

          Releasable.among(post.adaptations).select { |one| Releasable.refusal(one, now).nil? && !stopped?(one) }
        end

        def stopped?(adaptation)
          here = { adaptation_id: adaptation.id }
          stopped = [
            rows(:openings).where(here).max(:opened_at),
            rows(:releases).where(here).where(:taken_back).max(:ended_at)
          ].compact.max
          return false if stopped.nil?

          yes = rows(:answers).where(here).where(verdict: "yes", eligible: true).max(:given_at)
          yes.nil? || yes < stopped
        end
      end
    end
  end
end
