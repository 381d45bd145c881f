# frozen_string_literal: true

module AskFirst
  module App
    module People
      # An owner begins to look at a client as one of its members sees it, without acting as them. The record shows
      # that they looked.
      class LookAs < Act
        opens :membership, "look_as", within: true

        # @return [Hash] {membership_id:, person_id:, name:, side:}
        def call(membership_id:)
          if row[:person_id] == member.person_id
            raise Core::Invalid.new("is_you", "That is you.", field: "membership_id", way_on: "Choose somebody else.")
          end

          record("looked_as", facts: { person: row[:name], role: row[:role] })
          row.slice(:membership_id, :person_id, :name, :side)
        end
      end
    end
  end
end
