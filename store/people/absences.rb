# frozen_string_literal: true

module AskFirst
  module Store
    module People
      # Who is away on a day, and who stands in for them in a workspace.
      module Absences
        module_function

        # @param scope [Scope] of one workspace
        # @return [Hash{String=>Hash}] person id => {until_date:, stand_in_id: (nil when nobody does)}
        def today(scope, person_ids, now, zone)
          day = Core::Plan::WallTime.at(now, zone).local_date
          standing_in = scope.db[:stand_ins].where(workspace_id: scope.workspace_id)
          scope.db[:absences]
            .where(Sequel[:absences][:person_id] => person_ids)
            .where { (from_date <= day) & (until_date >= day) }
            .left_join(standing_in.as(:stand_ins), absence_id: Sequel[:absences][:id])
            .select(Sequel[:absences][:person_id], :until_date, :stand_in_id)
            .to_hash(:person_id)
        end
      end
    end
  end
end
