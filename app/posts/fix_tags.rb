# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Fixes the tracking tags of adaptations at their first ask: what the workspace's defaults or the campaign's
      # name become later changes nothing that was asked for. Called inside a transaction that holds the post's lock.
      class FixTags < Act
        inside

        # @param adaptations [Array<Store::Posts::PostState::Adaptation>]
        def call(adaptations:)
          adaptations
            .select { |one| one.row[:tags].nil? }
            .each { |one| rows(:adaptations).where(id: one.id).update(tags: Store::Database.jsonb(one.tags)) }
        end
      end
    end
  end
end
