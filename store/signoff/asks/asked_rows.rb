# frozen_string_literal: true

module AskFirst
  module Store
    module Signoff
      # What lines of asks are about: the adaptations as they were asked for, out of their revisions.
      module AskedRows
        COLUMNS = [
          :line_id,
          Sequel[:ask_line_adaptations][:adaptation_id],
          :ended_as,
          :request,
          :fingerprint,
          :wall,
          Sequel[:revision_adaptations][:zone],
          :rendition_ids,
          :network,
          :initials,
          Sequel[:channels][:name].as(:channel),
          :card,
          :account
        ].freeze

        module_function

        # @param scope [Scope] of one workspace
        # @param line_ids [Array<String>]
        # @return [Array<Hash>] in the order of the channels
        def of(scope, line_ids)
          workspace = Sequel[:ask_line_adaptations][:workspace_id]
          revision = Sequel[:ask_line_adaptations][:revision_adaptation_id]
          scope
            .rows(:ask_line_adaptations)
            .where(line_id: line_ids)
            .join(:revision_adaptations, workspace_id: workspace, id: revision)
            .join(:channels, workspace_id: workspace, id: :channel_id)
            .order(:position)
            .select(*COLUMNS)
            .all
        end
      end
    end
  end
end
