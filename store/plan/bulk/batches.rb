# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # Acts over many posts that their makers have not looked at yet.
      module Batches
        module_function

        # What came of some posts of a batch, in one statement.
        # @param scope [Scope] of one workspace
        # @param outcomes [Array<Hash>] each with its :post_id
        def keep(scope, batch_id, outcomes)
          said = Sequel.function(:jsonb_array_elements, Database.jsonb(outcomes)).as(:said, [:outcome])
          scope
            .db
            .from(:batch_posts, said)
            .where(Sequel[:batch_posts][:workspace_id] => scope.workspace_id, :batch_id => batch_id)
            .where(Sequel.lit("batch_posts.post_id = (said.outcome ->> 'post_id')::uuid"))
            .update(outcome: Sequel[:said][:outcome])
        end

        # @param scope [Scope]
        # @return [Array<Hash>] :id, :workspace_id, :client, :kind, :stopped, :ended, :begun_at, and how many posts are
        #   in it (:total), are through (:through), were done (:done) and were changed by it (:changed)
        def unseen(scope, limit)
          through = Sequel.lit("count(outcome)")
          done = Sequel.lit("count(*) FILTER (WHERE (outcome ->> 'done')::boolean)")
          changed = Sequel.lit("count(*) FILTER (WHERE (outcome ->> 'changed')::boolean)")
          of = { workspace_id: Sequel[:batches][:workspace_id], batch_id: Sequel[:batches][:id] }
          counts =
            scope.db[:batch_posts].where(of).select(
              Sequel.function(:count).*.as(:total),
              through.as(:through),
              done.as(:done),
              changed.as(:changed)
            )
          scope
            .rows(:batches)
            .where(person_id: scope.person_id, seen_at: nil)
            .join(:workspaces, id: :workspace_id)
            .cross_join(counts.lateral.as(:counts))
            .order(Sequel.desc(:begun_at))
            .limit(limit)
            .select(
              Sequel[:batches][:id],
              Sequel[:batches][:workspace_id],
              Sequel[:workspaces][:name].as(:client),
              :kind,
              :stopped,
              Sequel.lit("ended_at IS NOT NULL").as(:ended),
              :begun_at,
              :total,
              :through,
              :done,
              :changed
            )
            .all
        end
      end
    end
  end
end
