# frozen_string_literal: true

module AskFirst
  module Store
    module Dispatch
      # Showings of a database that was brought back, of which nobody knows yet what became of them since.
      module Unconfirmed
        # What is being sent or looked up goes its own way first.
        RESTING = %w[planned by_hand trouble].freeze
        WAITING = %w[planned by_hand].freeze

        module_function

        # Whose network is to be asked, over all clients.
        # @return [Array<Hash>]
        def to_ask(db, now, limit:)
          db[:showings]
            .where(state: RESTING)
            .where { ask_at <= now }
            .order(:ask_at, :id)
            .limit(limit)
            .select(*Due::COLUMNS)
            .all
        end

        # What waits for a person's word: released, and not to be seen at its network. What ended in trouble stands
        # there.
        # @param scope [Scope]
        # @return [Sequel::Dataset] of showings with their live releases
        def waiting(scope)
          found = scope.rows(:showings).where(Sequel[:showings][:state] => WAITING).exclude(unconfirmed_at: nil)
          Posts::Visible.showings(scope, found).join(
            :releases,
            workspace_id: Sequel[:showings][:workspace_id],
            showing_id: Sequel[:showings][:id],
            ended_at: nil
          )
        end
      end
    end
  end
end
