# frozen_string_literal: true

require "digest"
require "securerandom"

module AskFirst
  module App
    module Plan
      # Makes a private address under which a calendar reads the plan as its maker sees it: over one client or all,
      # narrowed as a view is. 256 random bits, of which the database keeps a digest; the address is told once.
      class CreateCalendar < AgencyAct
        MOST = 20
        NAME = Core::Lengths::NAME

        # @param narrowing [Hash{String=>String}] see Core::Plan::Filter
        # @param workspace_id [String, nil] nil for all clients
        # @return [Hash] {id:, secret:}
        # @raise [Core::Invalid] name_missing, bad_filter, too_many_calendars
        def call(name:, narrowing:, workspace_id: nil)
          raise Core::NotFound, "This workspace" if workspace_id && !person.workspace_ids.include?(workspace_id)

          filter = Core::Plan::Filter.read(narrowing)
          raise too_many if db[:private_calendars].where(person_id: person.person_id, revoked_at: nil).count >= MOST

          secret = SecureRandom.urlsafe_base64(32)
          calendar = {
            id: new_id,
            workspace_id: workspace_id,
            person_id: person.person_id,
            name: clean(name),
            narrowing: Store::Database.jsonb(filter.to_h),
            digest: Store::Database.blob(Digest::SHA256.digest(secret)),
            made_at: now
          }
          db[:private_calendars].insert(calendar)
          record("feed_made", name: calendar[:name])
          { id: calendar[:id], secret: secret }
        end

        private

        def clean(name)
          text = Core::Posts::Text.line(name, field: "name", limit: NAME)
          return text unless text.empty?

          raise Core::Invalid.new("name_missing", "The calendar needs a name.", field: "name", way_on: "Give it one.")
        end

        def too_many
          Core::TooMany.new(
            "You have #{MOST} calendar addresses already.",
            of: "calendars",
            field: "name",
            way_on: "Revoke one that no calendar reads any more."
          )
        end
      end
    end
  end
end
