# frozen_string_literal: true

module AskFirst
  module App
    module Permissions
      # What making and changing a role have in common: its name, and abilities within its side.
      class RoleChange < AgencyAct
        private

        def name(value)
          text = Core::Posts::Text.line(value.to_s, field: "name", limit: Core::Lengths::NAME)
          return text unless text.empty?

          raise Core::Invalid.new(
                  "name_missing",
                  "The role needs a name.",
                  field: "name",
                  way_on: "Such as “night desk”."
                )
        end

        def abilities(list, side)
          known =
            side == "client" ? Core::Permissions::Abilities::CLIENT_CEILING : Core::Permissions::Abilities::AGENCY_SIDE
          beyond = list - known
          if beyond.any?
            sentence =
              if side == "client"
                "The client side can never be given more than to see what was shared, to answer for the client and " \
                  "to see results."
              else
                "There is no such ability."
              end
            raise Core::Invalid.new(
                    "beyond_side",
                    sentence,
                    field: "abilities",
                    way_on: "Take it off.",
                    facts: {
                      "abilities" => beyond
                    }
                  )
          end

          list.uniq
        end

        def taken
          Core::NameTaken.new("a role with this name")
        end
      end
    end
  end
end
