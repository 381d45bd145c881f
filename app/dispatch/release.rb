# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Hands cleared adaptations to the dispatcher for their times. Checks again that what was approved is what will go
      # out; the release itself is what the dispatcher looks for.
      class Release < Act
        opens :post, "release", stand: true

        # @param adaptation_ids [Array<String>, nil] nil = every one of the post that can be released, on the member's
        # channels
        # @return [Array<String>] ids of the released adaptations
        def call(post_id:, adaptation_ids: nil)
          chosen = choose(adaptation_ids)
          require_on!(chosen)
          require_releasable!(chosen)
          Releasing.call(environment, member, posts: { post => chosen })
          chosen.map(&:id)
        end

        private

        def choose(ids)
          return Releasable.among(mine(post.adaptations)) unless ids

          ids.map { |id| post.adaptation(id) or raise Core::NotFound, "This channel of the post" }
        end

        def require_releasable!(chosen)
          refusal = chosen.empty? ? Releasable.refusal_of_all(mine(post.adaptations), now) : first_refusal(chosen)
          raise refusal if refusal
        end

        def first_refusal(chosen)
          chosen.lazy.filter_map { |adaptation| Releasable.refusal(adaptation, now) }.first
        end
      end
    end
  end
end
