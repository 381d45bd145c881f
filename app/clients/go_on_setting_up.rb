# frozen_string_literal: true

module AskFirst
  module App
    module Clients
      # Keeps where the guided set-up goes on, so that it can be left at any step; nil ends it.
      class GoOnSettingUp < Act
        opens :client, "change_settings"

        def call(step:)
          unless step.nil? || CreateClient::STEPS.include?(step)
            raise Core::Invalid.new("no_such_step", "There is no such step.", field: "step")
          end

          environment.db[:workspaces].where(id: member.workspace_id).update(setup_step: step)
          record("set_up_done") if step.nil?
        end
      end
    end
  end
end
