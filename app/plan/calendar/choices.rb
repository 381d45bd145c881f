# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # What the plan can be narrowed to, and the columns of its channels.
      module Choices
        # @param scope [Store::Scope] of the agency side
        # @return [Hash] JSON-ready
        def self.call(scope)
          scope.transaction { Store::Plan::Choices.of(scope) }
        end
      end
    end
  end
end
