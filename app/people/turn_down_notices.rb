# frozen_string_literal: true

module AskFirst
  module App
    module People
      # A lead turns down what a person of the client's side is told by mail; never off for what they must answer.
      class TurnDownNotices < Act
        opens :membership, "change_member", within: true

        def call(membership_id:, notices:)
          if row[:side] != "client"
            raise Core::Refused.new(
                    "own_choice",
                    "People of the agency choose themselves what they are told.",
                    way_on: "Ask #{row[:name].split.first}."
                  )
          end

          clean = Core::People::Notices.clean(notices)
          after = row[:notices].merge(clean)
          rows(:memberships).where(id: membership_id).update(notices: Store::Database.jsonb(after))
          record("notices_turned_down", facts: { person: row[:name], before: row[:notices], after: after })
        end
      end
    end
  end
end
