# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # Throws a partner away; it can be taken up again.
      class RemovePartner < PartnerAct
        opens :partner, "keep_partner"

        def call(partner_id:)
          rows(:partners).where(id: partner_id).update(dropped_at: now)
          record("partner_dropped", facts: { name: row[:name] })
          broadcast
        end
      end
    end
  end
end
