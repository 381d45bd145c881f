# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Does the next part of a batch, as whoever asked for it and as far as they may now. What is done and what came
      # of it are one transaction: killed in between, neither is there, and the part is done again.
      class RunBatch < Act
        of_process
        stepwise

        # @return [Boolean] whether more is left to do
        def call(batch_id:)
          write do
            batch = rows(:batches).where(id: batch_id, ended_at: nil).for_update.first
            batch ? part(batch) : false
          end
        end

        private

        def part(batch)
          left = rows(:batch_posts).where(batch_id: batch[:id], outcome: nil).order(:post_id)
          ids = left.limit(Several::MOST).select_map(:post_id)
          Store::Plan::Batches.keep(scope, batch[:id], outcomes(batch, ids)) if ids.any?
          over = left.empty?
          rows(:batches).where(id: batch[:id]).update(ended_at: now) if over
          Live.tell(environment, member.workspace_id, { what: "batches", ids: [] }, [batch[:person_id]])
          !over
        end

        def outcomes(batch, ids)
          row = Store::People::Members.find(environment.db, batch[:person_id], batch[:workspace_id], now)
          return stayed(ids, "Whoever asked for it does not work for this client any more.") unless row

          person = Member.from_row(row)
          person
            .scope(environment.db)
            .as_person { Several.call(environment, person, kind: batch[:kind], post_ids: ids, value: batch[:value]) }
        rescue Core::Error => e
          stayed(ids, [e.message, e.way_on].compact.join(" "))
        end

        def stayed(ids, why)
          ids.map do |id|
            { post_id: id, done: false, changed: false, was: nil, stage: nil, why: why, before: nil, made: [] }
          end
        end
      end
    end
  end
end
