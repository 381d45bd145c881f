# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Puts yeses onto the receipt that their giver will be mailed: all of one sitting in one mail. Also a yes that
      # somebody else gave in their name.
      class CreateReceipt < Act
        inside

        AFTER = 10 * 60 # seconds from the first yes of a sitting to its mail; common practice, no source

        # @param person_id [String] of the client's side
        # @param answer_ids [Array<String>] of their yeses
        def call(person_id:, answer_ids:)
          id = unsent(person_id) || begin_one(person_id)
          scope.insert(:receipt_answers, *answer_ids.map { |answer| { receipt_id: id, answer_id: answer } })
        end

        private

        def unsent(person_id)
          rows(:receipts).where(person_id: person_id, sent_at: nil).for_update.get(:id)
        end

        def begin_one(person_id)
          id = new_id
          fresh =
            scope.db[:receipts]
              .insert_conflict
              .returning(:id)
              .insert(workspace_id: member.workspace_id, id: id, person_id: person_id, made_at: now)
          return unsent(person_id) if fresh.empty? # two at once

          environment.queue.receipt_mail(member.workspace_id, id, at: now + AFTER)
          id
        end
      end
    end
  end
end
