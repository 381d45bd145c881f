# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Ends a calendar address of one's own, at once and for good.
      class RevokeCalendar < AgencyAct
        # @raise [Core::NotFound] for what is not there, and for what is another's
        def call(calendar_id:)
          raise Core::NotFound, "This address" unless Core::Uuid::FORMAT.match?(calendar_id.to_s)

          own = db[:private_calendars].where(id: calendar_id, person_id: person.person_id)
          name = own.get(:name) or raise Core::NotFound, "This address"
          return if own.where(revoked_at: nil).update(revoked_at: now).zero?

          record("feed_revoked", name: name)
        end
      end
    end
  end
end
