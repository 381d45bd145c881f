# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Brings an idea back out of the post or the pencil marks that were made of it: they go, and what was written in
      # the post meanwhile is the idea's.
      class BringBack < IdeaAct
        opens :idea, "keep_idea"

        # @raise [Core::Over] not_made; those of Posts::DiscardPost for a post that is no draft any more
        def call(idea_id:)
          posts = rows(:posts).where(idea_id: idea_id, discarded_at: nil).reverse(:id).all
          marks = rows(:pencil_marks).where(idea_id: idea_id).all
          raise not_made if posts.empty? && marks.empty?

          back = posts.any? ? written(posts.first) : {}
          media = back.delete(:media)
          posts.each { |post| Posts::DiscardPost.call(environment, member, post_id: post[:id]) }
          erase(marks)
          rows(:ideas).where(id: idea_id).update(**back, version: Store::Database.one_more(:version))
          put_media(idea_id, media.first(Core::Ideas::Idea::MEDIA)) if media
          record("idea_brought_back", facts: { id: idea_id, title: row[:title], posts: posts.size, marks: marks.size })
          broadcast
        end

        private

        # What the post says now, of what an idea can hold.
        def written(post)
          parts = rows(:parts).where(post_id: post[:id], channel_id: nil).select_hash(:part, :value)
          {
            title: post[:subject].empty? ? row[:title] : post[:subject],
            note: parts.fetch("text", "").to_s[0, Core::Ideas::Idea::LIMITS["note"]],
            link: parts.dig("link", "address"),
            media: parts.fetch("media", []).to_a
          }
        end

        def erase(marks)
          cells = marks.map { |mark| { "day" => mark[:day].iso8601, "channel_id" => mark[:channel_id] } }
          Plan::UpdateMarks.call(environment, member, put: [], erase: cells) if cells.any?
        end

        def not_made
          Core::Over.new(
            "not_made",
            "Nothing was made of this idea, or that is gone already.",
            way_on: "Look at it as it is now."
          )
        end
      end
    end
  end
end
