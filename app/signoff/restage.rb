# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # After whatever can change a verdict: computes it anew, keeps the cached stage, and ends a release that no longer
      # stands. Runs inside the transaction of the act that caused it.
      class Restage < Act
        def call(post_ids:)
          posts = standing(post_ids)
          posts = standing(post_ids) if end_releases(posts).any?
          posts.each_value { |post| keep(post) }
          announce("posts", ids: post_ids)
        end

        private

        # @return [Array] the adaptations whose release ended
        def end_releases(posts)
          posts.values.flat_map do |post|
            post.adaptations.reject { |adaptation| release_stands?(adaptation) }.each { |adaptation| end_release(post, adaptation) }
          end
        end

        def release_stands?(adaptation)
          adaptation.release.nil? || adaptation.sent? || adaptation.verdict.release_stands? || adaptation.showing[:state] == "trouble"
        end

        def end_release(post, adaptation)
          why = reason(adaptation)
          rows(:releases).where(id: adaptation.release[:id]).update(ended_at: now, ended_why: why)
          record("release_ended", post_id: post.id, adaptation_id: adaptation.id, facts: { channel: adaptation.channel[:name], why: why })
        end

        def reason(adaptation)
          verdict = adaptation.verdict
          return "somebody opened it to change it" if adaptation.facts.opened
          return "#{names.fetch(verdict.blocks.first.person_id)} wants a change" if verdict.blocks.any?
          return "what is to go out is not what was released" if verdict.releasable?

          "a yes that it needs no longer counts"
        end

        def keep(post)
          post.adaptations.each do |adaptation|
            next if adaptation.row[:stage] == adaptation.stage

            rows(:adaptations).where(id: adaptation.id).update(stage: adaptation.stage)
          end
          rows(:posts).where(id: post.id).update(
            stage: post.stage, strip: Store::Database.jsonb(Strip.of_post(post, names)), at: post.adaptations.filter_map(&:time).map(&:at).min || master_at(post),
            changes_at: post.adaptations.filter_map { |adaptation| adaptation.verdict.changes_at }.min
          )
        end

        def master_at(post)
          time = post.master["time"]
          time && Core::Plan::WallTime.parse(time["wall"], time["zone"]).at
        end
      end
    end
  end
end
