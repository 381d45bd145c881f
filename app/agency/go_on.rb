# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # An owner has looked at a database that was brought back: what is known may be sent again. What is unconfirmed
      # waits for a word of its own (Dispatch::Confirm).
      class GoOn < AgencyAct
        def call
          require_ability!("agency_own")
          open = db[:returns].where(agency_id: person.agency_id, looked_at: nil)
          if open.empty?
            raise Core::Conflict.new(
                    "nothing_to_look_at",
                    "Somebody has looked already; sending goes on.",
                    way_on: "Look at Dispatch."
                  )
          end

          open.update(looked_at: now, looked_by: person.person_id)
          record("went_on")
        end
      end
    end
  end
end
