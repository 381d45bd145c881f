# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # Other work waits while posts go out: they share the database, and on one machine its processors. It waits a
      # few seconds at most, since sending may go on for long and people wait for other things, too.
      module GiveWay
        LOOK_EVERY = 0.25 # seconds
        MOST = 15

        module_function

        # @return [Boolean] whether posts are going out, or are about to
        def now?(environment) = Store::Dispatch::Due.busy?(environment.db, environment.now)

        # Returns when nothing is being sent or due within the next moments, or when it has waited long enough.
        # @param environment [Environment]
        # @param sleep [#call] takes seconds
        # @return [Float] seconds that it waited
        def call(environment, sleep: Kernel.method(:sleep))
          waited = 0.0
          while waited < MOST && now?(environment)
            sleep.call(LOOK_EVERY)
            waited += LOOK_EVERY
          end
          waited
        end
      end
    end
  end
end
