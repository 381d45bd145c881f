# frozen_string_literal: true

module AskFirst
  module App
    # Somebody of the agency as a whole, beside their memberships: an owner, or whoever may set up clients.
    AgencyPerson =
      Struct.new(:person_id, :agency_id, :name, :abilities, :workspace_ids, :from, keyword_init: true) do
        def self.load(environment, person_id, from: nil)
          of(
            environment.db[:people].where(id: person_id).first,
            Store::People::Members.of_person(environment.db, person_id, environment.now),
            from: from
          )
        end

        # @param person [Hash] row of people
        # @param rows [Array<Hash>] their memberships, from Store::People::Members
        def self.of(person, rows, from: nil)
          memberships = rows.select { |row| row[:side] == "agency" }
          sets_up =
            person[:is_owner] ||
              memberships.any? { |row| row[:abilities].include?("govern_settings") && !row[:limited] }
          abilities = [*("own" if person[:is_owner]), *("set_up" if sets_up)]
          new(
            person_id: person[:id],
            agency_id: person[:agency_id],
            name: person[:name],
            abilities: abilities,
            workspace_ids: memberships.map { |row| row[:workspace_id] },
            from: from
          ).freeze
        end

        def side = "agency"
        def limited_to = nil
        def archived = false
        def looking = false

        def scope(db)
          Store::Scope.new(db, workspace_ids: workspace_ids, person_id: person_id, side: "agency")
        end

        def on_record
          { person_id: person_id, from_address: from }
        end
      end
  end
end
