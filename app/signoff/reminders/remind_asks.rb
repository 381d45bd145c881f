# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Looks for answers that are missing, over all clients, and has those told who are to be told now. The rows say
      # what was told, so that a sweep that died in the middle is gone on with by the next.
      class RemindAsks
        # @param kit [Kit] of our own process
        def self.call(kit) = new(kit).call

        def initialize(kit)
          @kit = kit
          @now = kit.now
        end

        def call
          clients.each do |workspace_id|
            Remind.call(@kit, Member.process(workspace_id, "reminders"))
          rescue Core::Error => e
            SemanticLogger["Reminders"].error(e)
          end
        end

        private

        def clients
          now = @now
          open = @kit.db[:ask_lines].where(workspace_id: Sequel[:asks][:workspace_id], ask_id: Sequel[:asks][:id])
          @kit.db[:asks]
            .where(withdrawn_at: nil, leads_told_at: nil)
            .where { remind_at <= now }
            .where(open.where(ended_at: nil).select(1).exists)
            .join(:workspaces, { id: :workspace_id, archived_at: nil, deleted_at: nil })
            .distinct
            .select_map(Sequel[:asks][:workspace_id])
        end
      end
    end
  end
end
