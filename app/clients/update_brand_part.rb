# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Saves one part of the brand sheet: compare and set on the version that the writer saw.
      class UpdateBrandPart < Act
        opens :client, "change_settings", locks: :client

        # @return [Integer] the new version
        def call(part:, value:, version:)
          clean = Core::Clients::BrandValues.clean(part, value)
          before = rows(:brand_parts).where(part: part).first
          raise changed(before, part) if (before ? before[:version] : 0) != version
          return version if before && before[:value] == clean

          keep_part(part, clean, before)
          record("brand_changed", facts: { part: part, before: before && before[:value], after: clean })
          announce("brand", ids: [])
          version + 1
        end

        private

        def keep_part(part, value, before)
          row = { value: Store::Database.jsonb(value), written_by: member.person_id, written_at: now }
          if before
            rows(:brand_parts).where(part: part).update(row.merge(version: before[:version] + 1))
          else
            scope.insert(:brand_parts, row.merge(part: part, version: 1))
          end
        end

        def changed(row, part)
          Core::Changed.new(
            "part_changed",
            "this",
            by: row && names[row[:written_by]],
            field: part,
            theirs: row && row[:value],
            version: row ? row[:version] : 0
          )
        end
      end
    end
  end
end
