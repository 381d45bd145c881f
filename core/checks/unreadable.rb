# frozen_string_literal: true

module AskFirst
  module Core
    module Checks
      # An address of the web that could not be read. state: as in LinkChecks::SAYS; note: what was seen;
      # wait: seconds that whoever answers asks us to wait, or nil.
      class Unreadable < StandardError
        attr_reader :state, :note, :wait

        def initialize(state, note, wait: nil)
          @state = state
          @note = note
          @wait = wait
          super(note)
        end
      end
    end
  end
end
