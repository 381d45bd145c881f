# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Whether a yes given for one planned time still holds for another. The workspace chooses.
      module TimePolicy
        RULES = {
          "never" => ->(_, _) { true },
          "local_date" => ->(then_, now) { then_&.local_date == now&.local_date && then_&.zone == now&.zone },
          "always" => ->(then_, now) { then_ == now }
        }.freeze

        module_function

        # @param policy [String] never, local_date or always: when a change of time voids
        # @param answered [Plan::WallTime, nil] the time that was shown
        # @param planned [Plan::WallTime, nil] today's
        def holds?(policy, answered, planned)
          RULES.fetch(policy).call(answered, planned)
        end
      end
    end
  end
end
