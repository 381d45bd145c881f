# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The plan as the client sees it: for whoever is a member of the client's side, and for those of the agency who
      # want to see it with their eyes.
      class ClientPlan < Act
        reads :client, "see_shared_plan"

        WEEKS = 8

        # @return [Hash] JSON-ready, see SharedPlan; a member who is limited to channels sees these
        def call
          SharedPlan.call(now, scope, weeks: WEEKS)
        end
      end
    end
  end
end
