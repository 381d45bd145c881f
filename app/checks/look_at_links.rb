# frozen_string_literal: true

module AskFirst
  module App
    module Checks
      # Looks at the end of each link of a post, and keeps what was found; again a day before it goes out, since pages
      # vanish. What was looked at lately is not looked at again.
      class LookAtLinks < Act
        stepwise
        of_process

        FRESH = 3_600 # seconds
        BEFORE = 86_400
        MOST = 20 # addresses of one post

        def call(post_id:)
          post = post_states([post_id])[post_id] or return
          addresses =
            post.adaptations.flat_map { |one| Core::Checks::LinkChecks.addresses(one.request) }.uniq.first(MOST)
          known = reading { Store::Checks::LinkLooks.of(scope, addresses) }
          stale = addresses.reject { |address| known[address] && now - known[address][:looked_at] < FRESH }
          found = stale.map { |address| [address, *look(address)] }
          write do
            found.each { |address, state, note| Store::Checks::LinkLooks.keep(scope, address, state, note, now) }
          end
          write { announce("posts", ids: [post_id]) } if found.any? { |_, state, _| state != "fine" }
        end

        # When a part with a link was saved: soon, and a day before the post goes out.
        def self.plan(environment, workspace_id, post)
          return if post.adaptations.all? { |one| Core::Checks::LinkChecks.addresses(one.request).empty? }

          now = environment.now
          environment.queue.look_at_links(workspace_id, post.id, at: now)
          at = post.adaptations.filter_map { |one| one.time&.at }.min
          environment.queue.look_at_links(workspace_id, post.id, at: at - BEFORE) if at && at - BEFORE > now
        end

        private

        # @return [Array(String, String)] state and note
        def look(address)
          page = environment.pages.get(address, limit: 1)
          if page.status.between?(200, 399) || page.status == 401 || page.status == 403 || page.status == 429
            return "fine", ""
          end

          [[404, 410].include?(page.status) ? "gone" : "broken", page.status.to_s]
        rescue Core::Checks::Unreadable => e
          [e.state, e.note]
        end
      end
    end
  end
end
