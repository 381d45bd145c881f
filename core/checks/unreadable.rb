# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # An address of the web that could not be read. state: as in LinkChecks::SAYS; note: what was seen.
      class Unreadable < StandardError
        attr_reader :state, :note

        def initialize(state, note)
          @state = state
          @note = note
          super(note)
        end
      end
    end
  end
end
