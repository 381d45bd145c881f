# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Releases what has all its yeses and passes a route that releases by itself. What cannot be released, or what
      # somebody has taken back since, waits for a person as everywhere else.
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

          Releasable.among(post.adaptations).select { |one| Releasable.refusal(one, now).nil? && !taken_back?(one) }
        end

        def taken_back?(adaptation)
          rows(:releases)
            .where(adaptation_id: adaptation.id, fingerprint: adaptation.fingerprint)
            .order(Sequel.desc(:released_at), Sequel.desc(:id))
            .get(:taken_back)
        end
      end
    end
  end
end
