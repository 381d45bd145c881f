# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Begins a client's guided set-up: the workspace is there at once, with its maker as lead, and the further steps
      # fill it.
      # It can be left and gone on with. Or copies what was chosen of another client.
      class CreateClient < AgencyAct
        STEPS = %w[days route channel people].freeze
        COPIES = %w[days route brand writing people].freeze

        # @param copy_from [String, nil] workspace id of a client that the maker governs
        # @param copy [Array<String>] of COPIES; people only when it is named
        # @return [String] the workspace's id
        def call(name:, initials:, edge:, zone:, week_start: 1, copy_from: nil, copy: [])
          require_ability!("set_up")
          source = copy_from && source(copy_from)
          id =
            SetUp.call(
              environment,
              agency_id: person.agency_id,
              name: name,
              initials: initials,
              edge: edge,
              zone: zone,
              week_start: week_start,
              members: [{ person_id: person.person_id, role: "account lead" }],
              steps: [],
              by: person.person_id,
              setup_step: STEPS.first,
              from: person.from
            )
          CopySetUp.call(environment, source, id, copy & COPIES, by: person) if source
          id
        end

        private

        def source(id)
          row = Core::Uuid::FORMAT.match?(id.to_s) ? Store::People::Members.find(db, person.person_id, id, now) : nil
          raise Core::NotFound, "This client" unless row

          member = Member.from_row(row, from: person.from)
          Core::Permissions::Decision.for(member, "change_settings").require!
          member
        end
      end
    end
  end
end
