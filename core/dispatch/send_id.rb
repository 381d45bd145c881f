# frozen_string_literal: true

require "digest"

module AskFirst
  module Core
    module Dispatch
      # The id that a send carries to its network. It derives from the showing, so every try of one showing has the
      # same.
      module SendId
        module_function

        def for(showing_id)
          "af-#{Digest::SHA256.hexdigest("showing:#{showing_id}")[0, 32]}"
        end
      end
    end
  end
end
