# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # Labels by their names; a name that is new becomes a label on the spot.
      class NamedLabels < Act
        inside

        # Made twice at once, it is one label: the index on the name decides, and whoever came second takes that one.
        # @param names [Array<String>] clean
        # @return [Array<String>] ids
        def call(names:)
          fresh = names.map { |name| { workspace_id: member.workspace_id, id: new_id, name: name, **by } }
          scope.db[:labels].insert_conflict.multi_insert(fresh)
          Store::Named.called(rows(:labels).where(merged_into: nil), names).select_map(:id)
        end

        private

        def by = { made_by: member.person_id, made_at: now }
      end
    end
  end
end
