# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # Changes the agency's policies: whether a second factor is required, how long a session lasts, from which mail
      # domains people of the agency's side may be invited, whether leads may change the route of their clients.
      class UpdatePolicies < AgencyAct
        DOMAIN = /\A([a-z0-9]([a-z0-9-]*[a-z0-9])?\.)+[a-z]{2,}\z/
        HOURS = (1..720)

        # @return [Integer] the new version
        def call(version:, second_factor_required:, session_hours:, mail_domains:, leads_change_route:)
          require_ability!("agency_own")
          before = db[:agencies].where(id: person.agency_id).for_update.first
          raise changed(before) if before[:version] != version
          unless HOURS.cover?(session_hours)
            raise Core::Invalid.new("bad_hours", "A session lasts from 1 to 720 hours.", field: "session_hours")
          end

          domains = domains(mail_domains)
          require_own_second_factor! if second_factor_required
          db[:agencies].where(id: person.agency_id).update(
            second_factor_required: second_factor_required,
            session_hours: session_hours,
            mail_domains: Store::Database.texts(domains),
            leads_change_route: leads_change_route,
            version: version + 1
          )
          record(
            "policies_changed",
            before: plain(before),
            after: {
              second_factor_required: second_factor_required,
              session_hours: session_hours,
              mail_domains: domains,
              leads_change_route: leads_change_route
            }
          )
          version + 1
        end

        private

        def plain(row)
          row.slice(:second_factor_required, :session_hours, :leads_change_route).merge(
            mail_domains: row[:mail_domains].to_a
          )
        end

        def domains(list)
          clean = list.map { |one| one.to_s.strip.downcase.delete_prefix("@") }.reject(&:empty?).uniq
          bad = clean.find { |one| !DOMAIN.match?(one) }
          if bad
            raise Core::Invalid.new(
                    "bad_domain",
                    "“#{bad}” is not a mail domain.",
                    field: "mail_domains",
                    way_on: "Write it like fernhollow.example."
                  )
          end

          clean
        end

        # Whoever requires it of others has it, or would lock themselves out.
        def require_own_second_factor!
          return if db[:account_otp_keys].where(id: person.person_id).any?

          raise Core::Conflict.new(
                  "own_second_factor",
                  "You have no second factor yourself yet.",
                  field: "second_factor_required",
                  way_on: "Set yours up in your profile first."
                )
        end

        def changed(row)
          Core::Changed.new(
            "policies_changed",
            "the policies",
            by: "Another owner",
            field: "session_hours",
            theirs: plain(row).transform_keys(&:to_s),
            version: row[:version]
          )
        end
      end
    end
  end
end
