# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Ends a fixture. The posts that were made of it stay.
      class DropFixture < Act
        opens :fixture, "pencil"

        # @param fixture_id [String]
        def call(fixture_id:)
          rows(:fixtures).where(id: fixture_id).delete
          record("fixture_dropped", facts: { word: row[:word] })
          announce("plan", ids: [])
        end
      end
    end
  end
end
