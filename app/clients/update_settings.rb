# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Changes a client's settings: compare and set on the version that the page showed. What is left out stays as it
      # is.
      class UpdateSettings < Act
        opens :client, "change_settings", locks: :client

        IDENTITY = %i[name initials edge zone week_start time_policy holidays working_hours currency tracking].freeze
        SWITCHES = %i[review_pin clients_give_ideas stops_without_right].freeze
        RULING = %i[zone time_policy].freeze # verdicts hang on them
        FIELDS = [*IDENTITY, :publisher_id, *SWITCHES].freeze

        # @return [Integer] the new version
        def call(version:, **values)
          clean = Core::Clients::Identity.clean(values.slice(*IDENTITY))
          clean[:publisher_id] = Publisher.clean(scope, values[:publisher_id], now) if values.key?(:publisher_id)
          clean.merge!(values.slice(*SWITCHES).transform_values { |value| value == true })
          before = environment.db[:workspaces].where(id: member.workspace_id).first
          raise changed(before) if before[:version] != version

          stored = clean.merge(version: version + 1)
          %i[working_hours tracking].each do |field|
            stored[field] = Store::Database.jsonb(clean[field]) if clean.key?(field)
          end
          environment.db[:workspaces].where(id: member.workspace_id).update(stored)
          record("settings_changed", facts: { before: told(before.slice(*clean.keys)), after: told(clean) })
          # another rule for changed times, or other days, may void yeses or let them count again
          if RULING.any? { |field| clean.key?(field) && clean[field] != before[field] }
            refresh_stage(rows(:posts).where(discarded_at: nil).exclude(stage: "out").select_map(:id))
          end
          announce("settings", ids: [])
          version + 1
        end

        private

        # People stand in the record by name.
        def told(values)
          values.key?(:publisher_id) ? values.merge(publisher_id: names[values[:publisher_id]]) : values
        end

        def changed(row)
          Core::Changed.new(
            "settings_changed",
            "these settings",
            field: "name",
            theirs: row.slice(*FIELDS).transform_keys(&:to_s),
            version: row[:version]
          )
        end
      end
    end
  end
end
