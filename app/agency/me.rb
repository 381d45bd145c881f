# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # Who is signed in, and the client workspaces that they are a member of.
      class Me
        # @param looking [Hash, nil] the member that an owner looks as: only that client is shown, as they see it
        # @return [Hash] JSON-ready
        def self.call(environment, person_id, looking: nil)
          person = environment.db[:people].where(id: person_id).first
          agency = environment.db[:agencies].where(id: person[:agency_id]).first
          rows = looking ? [looking] : Store::People::Members.of_person(environment.db, person_id, environment.now)
          heard = environment.bus.last(rows.map { |row| row[:workspace_id] })
          abilities = looking ? [] : AgencyPerson.of(person, rows).abilities
          {
            id: person_id,
            name: person[:name],
            email: person[:email],
            zone: person[:zone],
            hour12: person[:hour12],
            date_language: person[:date_language],
            picture: !person[:picture].nil?,
            now: environment.now.iso8601,
            agency: agency[:name],
            owner: abilities.include?("own"),
            sets_up: abilities.include?("set_up"),
            looking_as:
              looking &&
                {
                  name: looking[:name],
                  role: looking[:role],
                  side: looking[:side],
                  workspace_id: looking[:workspace_id],
                  membership_id: looking[:membership_id]
                },
            workspaces: rows.map { |row| workspace(row, looking).merge(heard: heard[row[:workspace_id]]) }
          }
        end

        def self.workspace(row, looking)
          {
            id: row[:workspace_id],
            name: row[:workspace_name],
            initials: row[:initials],
            picture: !row[:logo].nil?,
            edge: row[:edge],
            zone: row[:workspace_zone],
            week_start: row[:week_start],
            side: row[:side],
            role: row[:role],
            archived: !row[:archived_at].nil?,
            setup_step: row[:setup_step],
            figures_shared: row[:figures_shared],
            can: Permissions::Capabilities.of(Member.from_row(row, looking: !looking.nil?))
          }
        end
        private_class_method :workspace
      end
    end
  end
end
