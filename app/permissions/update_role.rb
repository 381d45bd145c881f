# frozen_string_literal: true

module AskFirst
  module App
    module Permissions
      # Changes a role: compare and set on the version that the page showed. No change leaves a client without a lead.
      class UpdateRole < RoleChange
        # @return [Integer] the new version
        def call(role_id:, version:, name:, abilities:)
          require_ability!("agency_own")
          row = find(role_id)
          raise changed(row) if row[:version] != version

          clean = row[:is_preset] ? row[:name] : name(name)
          held = abilities(abilities, row[:side])
          others = db[:roles].where(agency_id: person.agency_id).exclude(id: role_id)
          raise taken if Store::Named.called(others, clean).any?

          require_leads!(row, held)
          db[:roles].where(id: role_id).update(
            name: clean,
            abilities: Store::Database.texts(held),
            version: version + 1,
            changed_by: person.person_id,
            changed_at: now
          )
          record(
            "role_changed",
            name: clean,
            before: {
              name: row[:name],
              abilities: row[:abilities].to_a
            },
            after: {
              name: clean,
              abilities: held
            }
          )
          version + 1
        end

        private

        def find(role_id)
          found =
            Core::Uuid::FORMAT.match?(role_id.to_s) &&
              db[:roles].where(id: role_id, agency_id: person.agency_id).for_update.first
          raise Core::NotFound, "This role" unless found

          found
        end

        # The second of two owners sees what the first changed, and keeps what they typed.
        def changed(row)
          who = db[:people].where(id: row[:changed_by]).get(:name) || "Somebody"
          Core::Changed.new(
            "role_changed",
            "this role",
            by: who,
            field: "abilities",
            theirs: {
              "name" => row[:name],
              "abilities" => row[:abilities].to_a
            },
            version: row[:version]
          )
        end

        def require_leads!(row, held)
          if held.include?(Core::Permissions::Leads::ABILITY) ||
               !row[:abilities].include?(Core::Permissions::Leads::ABILITY)
            return
          end

          members =
            Store::People::Members
              .of_workspace(scope, now)
              .map { |one| one[:role_id] == row[:id] ? one.merge(abilities: held) : one }
          bare =
            members.group_by { |one| one[:workspace_id] }.values.find { |here| Core::Permissions::Leads.none?(here) } or
            return
          raise Core::Permissions::Leads.missing("This change", bare.first[:workspace_name])
        end
      end
    end
  end
end
