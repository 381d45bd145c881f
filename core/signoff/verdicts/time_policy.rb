# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Whether a yes given for one planned time still holds for another. The workspace chooses. What is compared are
      # the two instants, in the client's zone: the same instant written in another zone changes nothing.
      module TimePolicy
        RULES = {
          "never" => ->(_, _, _) { true },
          "local_date" => ->(one, other, zone) { one.local_date_in(zone) == other.local_date_in(zone) },
          "always" => ->(one, other, _) { one.at == other.at }
        }.freeze

        module_function

        # @param policy [String] never, local_date or always: when a change of time voids
        # @param answered [Plan::WallTime, nil] the time that was shown
        # @param planned [Plan::WallTime, nil] today's
        # @param zone [String] the client's
        def holds?(policy, answered, planned, zone)
          return policy == "never" || answered.nil? == planned.nil? if answered.nil? || planned.nil?

          RULES.fetch(policy).call(answered, planned, zone)
        end
      end
    end
  end
end
