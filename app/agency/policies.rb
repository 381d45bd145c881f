# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # The agency's policies as they stand.
      class Policies < AgencyAct
        # @return [Hash] JSON-ready
        def call
          require_ability!("agency_own")
          row = db[:agencies].where(id: person.agency_id).first
          people = db[:people].where(agency_id: person.agency_id)
          {
            name: row[:name],
            second_factor_required: row[:second_factor_required],
            session_hours: row[:session_hours],
            mail_domains: row[:mail_domains].to_a,
            leads_change_route: row[:leads_change_route],
            version: row[:version],
            without_second_factor:
              people
                .where(id: db[:account_password_hashes].select(:id))
                .exclude(id: db[:account_otp_keys].select(:id))
                .order(:name)
                .select_map(:name)
          }
        end
      end
    end
  end
end
