# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # After whatever can change a verdict: ends a release that no longer stands, and keeps the cached stage where it is another
      # one. Runs inside the transaction of the act that caused it.
      class Restage < Act
        inside

        # @param posts [Array<Store::Posts::Standing::Post>] as they stand after the act
        def call(posts:)
          posts.each { |post| keep_cache(end_releases(post)) }
          announce_posts(posts)
        end

        private

        # @return [Store::Posts::Standing::Post] without the releases that ended
        def end_releases(post)
          ending = post.adaptations.reject { |adaptation| release_stands?(adaptation) }
          return post if ending.empty?

          ending.each { |adaptation| end_release(post, adaptation) }
          gone = ending.map { |adaptation| adaptation.release[:id] }
          post.changed(releases: ->(rows) { rows.reject { |row| gone.include?(row[:id]) } })
        end

        def release_stands?(adaptation)
          adaptation.release.nil? || adaptation.sent? || adaptation.verdict.release_stands? || adaptation.showing[:state] == "trouble"
        end

        def end_release(post, adaptation)
          why = reason(post, adaptation)
          rows(:releases).where(id: adaptation.release[:id]).update(ended_at: now, ended_why: why)
          record("release_ended", post_id: post.id, adaptation_id: adaptation.id, facts: { channel: adaptation.channel[:name], why: why })
        end

        def reason(post, adaptation)
          verdict = adaptation.verdict
          return "somebody opened it to change it" if adaptation.facts.opened
          return "#{post.names.fetch(verdict.blocks.first.person_id)} wants a change" if verdict.blocks.any?
          return "what is to go out is not what was released" if verdict.releasable?

          "a yes that it needs no longer counts"
        end

        def keep_cache(post)
          post.adaptations.reject { |one| one.row[:stage] == one.stage }.group_by(&:stage).each do |stage, changed|
            rows(:adaptations).where(id: changed.map(&:id)).update(stage: stage)
          end
          row = cache_of(post)
          return if row == post.row.slice(*row.keys)

          rows(:posts).where(id: post.id).update(row.merge(strip: Store::Database.jsonb(row[:strip])))
        end

        def cache_of(post)
          { stage: post.stage, strip: Strip.of_post(post, post.names), at: post.adaptations.filter_map(&:time).map(&:at).min || master_at(post),
            changes_at: post.adaptations.filter_map { |adaptation| adaptation.verdict.changes_at }.min }
        end

        def master_at(post)
          Core::Plan::WallTime.stored(post.master["time"])&.at
        end

        def announce_posts(posts)
          return Live.announce(kit, member.workspace_id, { what: "posts", ids: [posts.first.id] }, posts.first.hearers) if posts.size == 1

          announce("posts", ids: posts.map(&:id))
        end
      end
    end
  end
end
