# frozen_string_literal: true

module AskFirst
  module App
    module Permissions
      # Takes a role of the agency's own away, when nobody has or had it.
      class RemoveRole < AgencyAct
        def call(role_id:)
          require_ability!("agency_own")
          row =
            Core::Uuid::FORMAT.match?(role_id.to_s) && db[:roles].where(id: role_id, agency_id: person.agency_id).first
          raise Core::NotFound, "This role" unless row
          if row[:is_preset]
            raise Core::Refused.new(
                    "is_preset",
                    "Roles that ship cannot be taken away.",
                    way_on: "Leave it unused, or change what it may do."
                  )
          end

          db.transaction(savepoint: true) { db[:roles].where(id: role_id).delete }
          record("role_dropped", name: row[:name])
        rescue Store::Failures::StillUsed
          raise Core::Conflict.new(
                  "role_in_use",
                  "Somebody has or had “#{row[:name]}”, and the record names it.",
                  field: "role",
                  way_on: "Give them another role first; the name stays in the record."
                )
        end
      end
    end
  end
end
