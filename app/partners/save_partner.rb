# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # Writes a partner down: a new one, or what is said of one that is there, compared with the version that the
      # writer saw.
      class SavePartner < PartnerAct
        opens :partner, "keep_partner"

        MOST = 1_000

        # @param fields [Hash] see Core::Partners::Partner
        # @return [Hash] {id:, version:}
        # @raise [Core::Invalid] too_many_partners
        # @raise [Core::Conflict] partner_changed
        def call(fields:, partner_id: nil, version: 0)
          fields = { "name" => "" }.merge(fields) unless row
          facts = Core::Partners::Partner.clean(fields)
          id = row ? change(facts, version) : add(facts)
          record(row ? "partner_changed" : "partner_kept", facts: told_of(facts))
          broadcast
          { id: id, version: row ? version + 1 : 1 }
        end

        private

        def add(facts)
          raise too_many if there.count >= MOST

          id = new_id
          scope.insert(:partners, { **facts, id: id, made_by: member.person_id, made_at: now })
          id
        end

        def change(facts, version)
          seen = rows(:partners).where(id: row[:id], version: version)
          raise changed if seen.update(facts.merge(version: version + 1)).zero?

          row[:id]
        end

        def told_of(facts)
          moved = row && facts[:status] && facts[:status] != row[:status] ? { status: facts[:status] } : {}
          { name: facts[:name] || row[:name], **moved }
        end

        def too_many
          Core::TooMany.new(
            "#{MOST} partners are the most.",
            of: "partners",
            field: "name",
            way_on: "Throw away those that are not needed any more."
          )
        end

        def changed
          Core::Changed.new("partner_changed", "this partner", field: "version", way_on: Core::Changed::KEPT)
        end
      end
    end
  end
end
