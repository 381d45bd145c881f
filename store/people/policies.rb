# frozen_string_literal: true

module AskFirst
  module Store
    module People
      # The agencies whose policies bind a person: their own, and those of the clients where they are a member.
      module Policies
        module_function

        # @param person_id [String, nil] nil while nobody is known: then all bind
        # @return [Array<Hash>] rows of agencies
        def binding(db, person_id, now)
          return db[:agencies].all if person_id.nil?

          Scope
            .of_person(db, person_id)
            .transaction do
              own = db[:people].where(id: person_id).select(:agency_id)
              there =
                db[:memberships]
                  .where(Sequel[:memberships][:person_id] => person_id)
                  .where(Members.current(now))
                  .join(:workspaces, id: :workspace_id, deleted_at: nil)
                  .select(Sequel[:workspaces][:agency_id])
              db[:agencies].where(Sequel.|({ id: own }, { id: there })).all
            end
        end
      end
    end
  end
end
