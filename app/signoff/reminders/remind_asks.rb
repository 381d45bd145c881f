# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Looks for answers that are missing, over all clients, and has those told who are to be told now. The rows say
      # what was told, so that a sweep that died in the middle is gone on with by the next.
      class RemindAsks
        # @param environment [Environment] of our own process
        def self.call(environment) = new(environment).call

        def initialize(environment)
          @environment = environment
          @now = environment.now
        end

        def call
          Store::Signoff::Asks
            .to_remind(@environment.db, @now)
            .each do |workspace_id|
              Remind.call(@environment, Member.process(workspace_id, "reminders"))
            rescue Core::Error => e
              SemanticLogger["Reminders"].error(e)
            end
        end
      end
    end
  end
end
