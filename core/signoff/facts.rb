# frozen_string_literal: true

module AskFirst
  module Core
    module Signoff
      # Everything that one adaptation's verdict hangs on. `showing` is nil, "planned", "sending", "unclear", "out" or
      # "trouble"; `released` is the live release's {fingerprint, time} or nil; `time` the planned wall time or nil.
      Facts = Struct.new(:steps, :fingerprint, :time, :policy, :opened, :ready, :asked, :answers, :rulings, :holds, :released,
        :showing, keyword_init: true)
    end
  end
end
