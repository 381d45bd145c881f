# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # One act over more posts than are taken in one call: it is written down, and done by our own process in parts,
      # as whoever asked for it, whether their page is open or not.
      class BeginBatch < Act
        opens :client, "see_post"

        KEPT = 30 * 86_400 # seconds that what came of one can be looked up

        # @param kind [String] see Core::Plan::SeveralOrder
        # @param post_ids [Array<String>]
        # @param value [Object] see there
        # @return [String] the batch's id
        # @raise [Core::Invalid] see there
        # @raise [Core::NotFound] for a post that the reader does not see
        def call(kind:, post_ids:, value: nil)
          Core::Plan::SeveralOrder.check!(kind, post_ids, value, most: Core::Plan::SeveralOrder::MOST)
          ids = post_ids.uniq
          raise Core::NotFound, "This post" if kind != "bring_back" && seen(ids) < ids.size

          forget
          id = new_id
          own = { id: id, person_id: member.person_id, kind: kind, begun_at: now }
          scope.insert(:batches, own.merge(value: Store::Database.jsonb(value)))
          scope.insert(:batch_posts, *ids.map { |post_id| { batch_id: id, post_id: post_id } })
          environment.queue.run_batch(member.workspace_id, id, at: now)
          id
        end

        private

        def seen(ids)
          Store::Posts::Visible.of(scope, ids.grep(Core::Uuid::FORMAT)).count
        end

        def forget
          rows(:batches)
            .where(person_id: member.person_id)
            .where(begun_at: ...(now - KEPT))
            .exclude(ended_at: nil)
            .delete
        end
      end
    end
  end
end
