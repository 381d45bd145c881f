# frozen_string_literal: true

module AskFirst
  module Store
    module Checks
      # The lead's reminder list.
      module Reminders
        module_function

        # @return [Array<Hash>] {id:, words:} in their order
        def standing(scope)
          scope.rows(:reminders).where(dropped_at: nil).order(:position).select(:id, :words).all
        end
      end
    end
  end
end
