# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Removes a saved view of one's own.
      class RemoveView < AgencyAct
        # @raise [Core::NotFound] for what is not there, and for what is another's
        def call(view_id:)
          raise Core::NotFound, "This view" unless Core::Uuid::FORMAT.match?(view_id.to_s)

          own = db[:saved_views].where(id: view_id, person_id: person.person_id, shared: false)
          raise Core::NotFound, "This view" if own.delete.zero?
        end
      end
    end
  end
end
