# frozen_string_literal: true

module AskFirst
  module App
    module People
      # A person's own profile, as they see it themselves.
      class Profile < AgencyAct
        # @return [Hash] JSON-ready
        def call
          row = db[:people].where(id: person.person_id).first
          {
            id: row[:id],
            name: row[:name],
            email: row[:email],
            zone: row[:zone],
            hour12: row[:hour12],
            date_language: row[:date_language],
            working_days: row[:working_days].to_a,
            quiet: Core::People::Notices.quiet(*row.values_at(:quiet_from, :quiet_to)),
            version: row[:version],
            picture: !row[:picture].nil?,
            notices: Core::People::Notices::KINDS.map { |kind, words| notice(row, kind, words) },
            second_factor: db[:account_otp_keys].where(id: row[:id]).any?,
            recovery_codes: db[:account_recovery_codes].where(id: row[:id]).count,
            absences: absences,
            clients: clients
          }
        end

        private

        def notice(row, kind, words)
          {
            kind: kind,
            words: words,
            choice: Core::People::Notices.choice(row[:notices], kind),
            must: Core::People::Notices::MUST.include?(kind)
          }
        end

        def absences
          standing_in =
            scope.rows(:stand_ins).where(person_id: person.person_id).all.group_by { |row| row[:absence_id] }
          today = Core::Plan::WallTime.at(now, "UTC").local_date
          db[:absences]
            .where(person_id: person.person_id)
            .where { until_date >= today }
            .order(:from_date)
            .map do |row|
              {
                id: row[:id],
                from: row[:from_date].iso8601,
                until: row[:until_date].iso8601,
                stand_ins:
                  standing_in
                    .fetch(row[:id], [])
                    .map { |one| { workspace_id: one[:workspace_id], person_id: one[:stand_in_id] } }
              }
            end
        end

        # The clients with the colleagues there, for choosing who stands in.
        def clients
          all =
            Store::People::Members
              .of_workspace(scope, now)
              .select { |row| row[:side] == "agency" }
              .group_by { |row| row[:workspace_id] }
          all
            .map do |id, rows|
              {
                id: id,
                name: rows.first[:workspace_name],
                people:
                  rows
                    .reject { |row| row[:person_id] == person.person_id }
                    .map { |row| { id: row[:person_id], name: row[:name], role: row[:role] } }
              }
            end
            .sort_by { |one| one[:name] }
        end
      end
    end
  end
end
