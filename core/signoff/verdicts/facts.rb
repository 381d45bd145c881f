# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Everything that one adaptation's verdict hangs on. `showing` is nil, "planned", "sending", "unclear", "out" or
      # "trouble"; `released` is the live release's {fingerprint, time} or nil; `time` the planned wall time or nil;
      # `zone` the client's, in which two times are compared; `locks_time` whether its route locks the time with the
      # rest once all have said yes.
      Facts =
        Struct.new(
          :steps,
          :fingerprint,
          :time,
          :policy,
          :zone,
          :opened,
          :ready,
          :asked,
          :answers,
          :rulings,
          :holds,
          :released,
          :showing,
          :locks_time,
          keyword_init: true
        ) do
          # Whether what was said for one time still holds for the time that is planned now.
          # @param time [Plan::WallTime, nil]
          def holds_for?(time)
            TimePolicy.holds?(policy, time, self.time, zone)
          end
        end
    end
  end
end
