# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # One worker's heartbeat, which the alarm listens for.
      class WorkerHeartbeat
        # @param environment [Environment]
        # @param name [String] machine and process
        def initialize(environment, name:)
          @environment = environment
          @id = Core::Uuid.v7(environment.now)
          @name = name
        end

        # The one that had this name before has ended: the keeper starts a worker only then.
        def begin
          Store::Dispatch::Workers.stop(@environment.db, @environment.now, name: @name)
          call
        end

        def call = Store::Dispatch::Workers.heartbeat(@environment.db, @id, @name, @environment.now)

        # Marks a clean shutdown, so that nobody need wait for the heartbeat to time out.
        def stop = Store::Dispatch::Workers.stop(@environment.db, @environment.now, id: @id)
      end
    end
  end
end
