# frozen_string_literal: true

module AskFirst
  module Store
    module Checks
      # The lead's reminder list, and what of it was ticked for a post.
      module Reminders
        module_function

        # @return [Array<Hash>] {id:, words:} in their order
        def standing(scope)
          scope.rows(:reminders).where(dropped_at: nil).order(:position).select(:id, :words).all
        end

        # @param post_id [String]
        # @return [Array<Hash>] {id:, words:, ticked_by:, ticked_at:}
        def of_post(scope, post_id)
          ticks = scope.rows(:reminder_ticks).where(post_id: post_id).to_hash(:reminder_id)
          standing(scope).map do |row|
            row.merge(ticked_by: ticks[row[:id]]&.fetch(:ticked_by), ticked_at: ticks[row[:id]]&.fetch(:ticked_at))
          end
        end
      end
    end
  end
end
