# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # Says which pace a client's channels shall have.
      class WantPace < Act
        opens :client, "order_labels"

        # @param pace [Hash{String=>Integer, nil}] see Core::Plan::PaceLimits
        # @return [void]
        # @raise [Core::Invalid] bad_pace
        def call(pace:)
          limits = Core::Plan::PaceLimits.read(pace)
          Store::Plan::Pace.keep(scope, limits)
          record("pace_wanted", facts: limits.to_h.compact)
          announce("plan", ids: [])
        end
      end
    end
  end
end
