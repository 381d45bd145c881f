# frozen_string_literal: true

module AskFirst
  module Store
    module Ideas
      # In which order the ideas of a group stand.
      module Places
        module_function

        # @param scope [Scope] of one workspace
        # @param ids [Array<String>] of ideas, in their order
        def put(scope, ids)
          places = Sequel.function(:unnest, Database.uuids(ids)).with_ordinality.as(:placed, %i[id place])
          scope
            .db
            .from(:ideas, places)
            .where(Sequel[:ideas][:workspace_id] => scope.workspace_id, Sequel[:ideas][:id] => Sequel[:placed][:id])
            .update(place: Sequel[:placed][:place])
        end
      end
    end
  end
end
