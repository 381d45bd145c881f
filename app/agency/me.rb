# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # Who is signed in, and the client workspaces that they are a member of.
      class Me
        # @return [Hash] JSON-ready
        def self.call(kit, person_id)
          person = kit.db[:people].where(id: person_id).first
          memberships = Store::Agency::Members.of_person(kit.db, person_id)
          {
            id: person_id, name: person[:name], zone: person[:zone], now: kit.now.iso8601,
            workspaces: memberships.map do |row|
              { id: row[:workspace_id], name: row[:workspace_name], mark: row[:mark], edge: row[:edge], zone: row[:workspace_zone], side: row[:side],
                role: row[:role], can: Capabilities.of(Member.from_row(row)) }
            end
          }
        end
      end
    end
  end
end
