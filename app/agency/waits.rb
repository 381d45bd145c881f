# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # How many things wait for the reader in each of their clients: for the switcher. One query over all of them.
      module Waits
        module_function

        # @param scope [Store::Scope]
        # @return [Array<Hash>] JSON-ready
        def call(scope)
          scope.transaction do
            counts = [asked(scope), tasks(scope), came_back(scope), by_hand(scope)].reduce { |all, more| all.merge(more) { |_, one, other| one + other } }
            scope.workspace_ids.map { |id| { workspace_id: id, waits: counts.fetch(id, 0) } }
          end
        end

        def asked(scope)
          answered = scope.db[:answers].where(Sequel[:answers][:workspace_id] => Sequel[:ask_lines][:workspace_id], line_id: Sequel[:ask_lines][:id], person_id: scope.person_id)
          mine = { workspace_id: Sequel[:ask_lines][:workspace_id], ask_id: Sequel[:ask_lines][:ask_id], person_id: scope.person_id }
          lines = scope.rows(:ask_lines).where(ended_at: nil).join(:ask_people, mine).exclude(answered.select(1).exists)
          lines = lines.where(Sequel[:ask_lines][:post_id] => seen(scope).select(Sequel[:posts][:id])) if scope.limits.any?
          lines.group_and_count(Sequel[:ask_lines][:workspace_id]).to_hash(:workspace_id, :count)
        end

        def seen(scope)
          Store::Posts::Visible.narrow(scope, scope.rows(:posts))
        end

        def tasks(scope)
          scope.rows(:tasks).where(person_id: scope.person_id, done_at: nil).group_and_count(:workspace_id).to_hash(:workspace_id, :count)
        end

        def by_hand(scope)
          mine = Sequel.|({ claimed_by: nil }, { claimed_by: scope.person_id })
          Store::Posts::Visible.showings(scope, scope.rows(:showings)).where(state: "by_hand").where(mine).group_and_count(:workspace_id).to_hash(:workspace_id, :count)
        end

        def came_back(scope)
          open = scope.rows(:ask_lines).where(ended_at: nil).select(:post_id)
          seen(scope).where(stage: "changes_wanted", owner_id: scope.person_id).exclude(id: open).group_and_count(:workspace_id).to_hash(:workspace_id, :count)
        end
      end
    end
  end
end
