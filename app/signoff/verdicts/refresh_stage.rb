# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # After whatever can change a verdict: ends a release that no longer stands, and keeps the cached stage where it
      # is another one. Runs inside the transaction of the act that caused it.
      class RefreshStage < Act
        inside

        # @param posts [Array<Store::Posts::PostState::Post>] as they stand after the act
        def call(posts:)
          standing = posts.map { |post| end_releases(post) }
          keep_stages(standing.flat_map(&:adaptations))
          keep_caches(standing)
          announce_posts(posts)
          release_cleared(standing)
        end

        private

        # @return [Store::Posts::PostState::Post] without the releases that ended
        def end_releases(post)
          ending = post.adaptations.reject(&:release_stands?)
          return post if ending.empty?

          ending.each { |adaptation| end_release(post, adaptation) }
          gone = ending.map { |adaptation| adaptation.release[:id] }
          post.changed(releases: ->(rows) { rows.reject { |row| gone.include?(row[:id]) } })
        end

        def end_release(post, adaptation)
          why = reason(post, adaptation)
          rows(:releases).where(id: adaptation.release[:id]).update(ended_at: now, ended_why: why)
          record(
            "release_ended",
            post_id: post.id,
            adaptation_id: adaptation.id,
            facts: {
              channel: adaptation.channel[:name],
              why: why
            }
          )
        end

        def reason(post, adaptation)
          verdict = adaptation.verdict
          return "somebody unlocked it to change it" if adaptation.facts.opened
          return "#{post.names.fetch(verdict.blocks.first.person_id)} wants a change" if verdict.blocks.any?
          return "what is to go out is not what was released" if verdict.releasable?

          "a yes that it needs no longer counts"
        end

        def keep_stages(adaptations)
          adaptations
            .reject { |one| one.row[:stage] == one.stage }
            .group_by(&:stage)
            .each { |stage, changed| rows(:adaptations).where(id: changed.map(&:id)).update(stage: stage) }
        end

        # What changed, of as many posts as there are in one statement.
        def keep_caches(posts)
          changed =
            posts.to_h { |post| [post, cache_of(post)] }.reject { |post, cache| cache == post.row.slice(*cache.keys) }
          return if changed.empty?

          tell_of_nobody(changed.keys.select { |post| post.waits_for_nobody? && !post.row[:waits_for_nobody] })
          Store::Signoff::PostCaches.put(scope, changed.transform_keys(&:id))
        end

        def cache_of(post)
          {
            stage: post.stage,
            strip: Strip.of_post(post, post.names),
            at: post.adaptations.filter_map(&:time).map(&:at).min || master_at(post),
            changes_at: post.adaptations.filter_map(&:changes_at).min,
            waits_for_nobody: post.waits_for_nobody?
          }
        end

        def master_at(post)
          Core::Plan::WallTime.stored(post.master["time"])&.at
        end

        # The last who could have answered is gone: it would wait for ever, and nobody would say so.
        def tell_of_nobody(posts)
          return if posts.empty?

          first, *more = posts.map { |post| post.row[:subject].empty? ? "Untitled" : post.row[:subject] }
          what = more.empty? ? "“#{first}” waits" : "“#{first}” and #{more.size} more wait"
          People::Notify.call(
            environment,
            member,
            person_ids: [*posts.map { |post| post.row[:owner_id] }, *leads(posts)],
            kind: "late",
            post_id: posts.first.id,
            words:
              "#{what} for an answer that nobody who was asked can give any more. Ask whom the step names now, or " \
                "let the step go."
          )
        end

        def leads(posts)
          channels = posts.map(&:channel_ids)
          colleagues.select { |one| Core::Permissions::Leads.hears?(one, channels) }.map(&:person_id)
        end

        # Later, by our own process: whoever gave the last yes need not be able to release.
        def release_cleared(posts)
          ids = posts.select { |post| post.route[:releases_itself] && cleared?(post) }.map(&:id)
          environment.queue.release_cleared(member.workspace_id, ids, at: now) if ids.any?
        end

        def cleared?(post) = post.adaptations.any? { |one| one.stage == "cleared" }

        def announce_posts(posts)
          if posts.size == 1
            return(
              Live.announce(
                environment,
                member.workspace_id,
                { what: "posts", ids: [posts.first.id] },
                posts.first.subscribers
              )
            )
          end

          announce("posts", ids: posts.map(&:id))
        end
      end
    end
  end
end
