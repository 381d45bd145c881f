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

        def stopped?(adaptation) = taken_back?(adaptation) || opened?(adaptation)

        def opened?(adaptation)
          at = rows(:openings).where(adaptation_id: adaptation.id).max(:opened_at)
          at && yeses(adaptation).where { given_at >= at }.none?
        end

        def taken_back?(adaptation)
          last =
            rows(:releases).where(adaptation_id: adaptation.id).order(Sequel.desc(:released_at), Sequel.desc(:id)).first
          last && last[:taken_back] && yeses(adaptation).where { given_at > last[:ended_at] }.none?
        end

        def yeses(adaptation) = rows(:answers).where(adaptation_id: adaptation.id, verdict: "yes", eligible: true)
      end
    end
  end
end
