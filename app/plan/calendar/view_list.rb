# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The saved views that somebody finds here, each with how many posts it shows.
      module ViewList
        # @param scope [Store::Scope] of the agency side
        # @param over_all [Boolean] whether all of the reader's clients are shown
        # @return [Array<Hash>] JSON-ready
        def self.call(scope, over_all:)
          scope.transaction do
            views = Store::Plan::Views.of(scope, over_all: over_all)
            counts = Store::Plan::Views.counts(scope, views)
            views.map { |view| view.merge(count: counts.fetch(view[:id], 0)) }
          end
        end
      end
    end
  end
end
