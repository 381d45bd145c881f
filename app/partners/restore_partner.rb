# frozen_string_literal: true

module AskFirst
  module App
    module Partners
      # Takes up a partner again that was thrown away.
      class RestorePartner < PartnerAct
        opens :partner, "keep_partner", gone: true

        def call(partner_id:)
          rows(:partners).where(id: partner_id).update(dropped_at: nil)
          record("partner_taken_up", facts: { name: row[:name] })
          broadcast
        end
      end
    end
  end
end
