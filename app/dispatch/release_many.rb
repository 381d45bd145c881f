# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Releases many posts at once, each as one alone would be: those that can be, on the member's channels. What
      # cannot is said, with its reason, and holds up no other.
      class ReleaseMany < Act
        MOST = 100

        opens :posts, "release", stand: true

        # @param post_ids [Array<String>] of one client, MOST at most
        # @return [Hash] released: [post id], left: [{post_id:, subject:, code:, sentence:, way_on:}]
        def call(post_ids:)
          if post_ids.size > MOST
            raise Core::TooMany.new(
                    "At most #{MOST} posts are released at once.",
                    field: "post_ids",
                    way_on: "Release them in parts."
                  )
          end

          refused, able = posts.values.partition { |post| refusal(post) }
          released =
            if able.empty?
              []
            else
              Releasing.call(
                environment,
                member,
                posts: able.to_h { |post| [post, Releasable.among(mine(post.adaptations))] }
              )
            end
          { released: released.map(&:id), left: refused.map { |post| left(post) } }
        end

        private

        def refusal(post)
          @refusals ||= {}
          @refusals.fetch(post.id) do
            @refusals[post.id] = limit(post) || Releasable.refusal_of_all(mine(post.adaptations), now)
          end
        end

        # A channel that the member may not release on is a refusal for this post alone.
        def limit(post)
          require_on!(Releasable.among(mine(post.adaptations)))
          nil
        rescue Core::Error => e
          e
        end

        def left(post)
          why = refusal(post)
          { post_id: post.id, subject: post.row[:subject], code: why.code, sentence: why.message, way_on: why.way_on }
        end
      end
    end
  end
end
