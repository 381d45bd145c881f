# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Takes a planned absence back; nobody stands in any more.
      class RemoveAbsence < AgencyAct
        def call(absence_id:)
          found =
            if Core::Uuid::FORMAT.match?(absence_id.to_s)
              db[:absences].where(id: absence_id, person_id: person.person_id).delete
            else
              0
            end
          raise Core::NotFound, "This absence" if found.zero?
        end
      end
    end
  end
end
