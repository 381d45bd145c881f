# frozen_string_literal: true

module AskFirst
  module App
    module Dispatch
      # One worker's heartbeat, which the alarm listens for.
      class WorkerHeartbeat
        # @param kit [Kit]
        # @param name [String] machine and process
        def initialize(kit, name:)
          @kit = kit
          @id = Core::Uuid.v7(kit.now)
          @name = name
        end

        # The one that had this name before has ended: the keeper starts a worker only then.
        def begin
          Store::Dispatch::Workers.stop(@kit.db, @kit.now, name: @name)
          beat
        end

        def beat = Store::Dispatch::Workers.beat(@kit.db, @id, @name, @kit.now)

        # Marks a clean shutdown, so that nobody need wait for the heartbeat to time out.
        def stop = Store::Dispatch::Workers.stop(@kit.db, @kit.now, id: @id)
      end
    end
  end
end
