# frozen_string_literal: true

require "securerandom"

module AskFirst
  module Store
    module Record
      # Adds to the agency's own record: roles, policies, clients made, deleted and restored. There is no way to
      # change it.
      module AgencyRows
        module_function

        # @param who [Hash] person_id, process, from_address
        def add(db, agency_id, now:, who:, act:, facts: {})
          db[:agency_record].insert(
            who.slice(:person_id, :process, :from_address).merge(
              id: Core::Uuid.v7(now),
              agency_id: agency_id,
              at: now,
              act: act,
              facts: Database.jsonb(facts),
              salt: Sequel.blob(SecureRandom.random_bytes(16))
            )
          )
        end
      end
    end
  end
end
