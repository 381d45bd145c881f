# frozen_string_literal: true

module AskFirst
  module App
    module People
      # Takes a planned absence back; nobody stands in any more.
      class DropAbsence < AgencyAct
        def call(absence_id:)
          found = Core::Uuid::FORMAT.match?(absence_id.to_s) ? db[:absences].where(id: absence_id, person_id: person.person_id).delete : 0
          raise Core::NotFound, "This absence" if found.zero?
        end
      end
    end
  end
end
