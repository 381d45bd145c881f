# frozen_string_literal: true

module AskFirst
  module App
    module Permissions
      # The agency's roles, with how many people have each, and every ability with its sentence.
      class Roles < AgencyAct
        # @return [Hash] JSON-ready
        def call
          require_ability!("agency_own")
          held = Store::Counts.by(scope.rows(:memberships).where(ended_at: nil), :role_id)
          {
            roles:
              db[:roles]
                .where(agency_id: person.agency_id)
                .order(:side)
                .order_append { [is_preset.desc, name] }
                .map { |row| json(row, held.fetch(row[:id], 0)) },
            groups:
              Core::Permissions::Abilities::GROUPS.map do |group, sides|
                { name: group, agency: sentences(sides["agency"]), client: sentences(sides["client"]) }
              end
          }
        end

        private

        def json(row, held)
          {
            id: row[:id],
            name: row[:name],
            side: row[:side],
            abilities: row[:abilities].to_a,
            preset: row[:is_preset],
            version: row[:version],
            held: held,
            shipped: row[:is_preset] ? Core::Permissions::Abilities::PRESETS.dig(row[:name], 1) : nil,
            shares:
              Core::Permissions::Abilities::GROUPS.keys.to_h do |group|
                [group, Core::Permissions::Abilities.share(row[:abilities].to_a, group, row[:side])]
              end
          }
        end

        def sentences(abilities)
          abilities.map { |one| { ability: one, words: Core::Permissions::Abilities::SENTENCES.fetch(one) } }
        end
      end
    end
  end
end
