# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # What a colleague keeps a place for may be an idea of channels that are not the member's. Such a place is made
      # into no post of the member's, and neither written over nor erased: putting back what stood there could not name
      # the idea again.
      module KeptForIdeas
        private

        # @param marks [Sequel::Dataset] of pencil marks that are about to go
        # @raise [Core::Refused] other_channel
        def require_ideas_seen!(marks)
          kept = marks.exclude(idea_id: nil).select_hash(:idea_id, :made_by)
          return if kept.empty?

          seen = Store::Posts::Visible.ideas(scope, rows(:ideas).where(id: kept.keys)).select_map(:id)
          colleague = kept.except(*seen).values.first or return
          raise Core::Refused.new(
                  "other_channel",
                  "This place is kept for an idea of other channels than yours.",
                  way_on: "Ask #{names[colleague] || "a colleague"} to make the draft, or to free the place."
                )
        end
      end
    end
  end
end
