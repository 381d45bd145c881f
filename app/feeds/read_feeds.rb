# frozen_string_literal: true

module AskFirst
  module App
    module Feeds
      # Has the feeds read whose time has come. One whose reading dies in between comes again after a while.
      module ReadFeeds
        AGAIN = 600 # seconds

        module_function

        # @param environment [Environment] of our own process
        # @return [Integer] how many
        def call(environment)
          now = environment.now
          open = environment.db[:workspaces].where(archived_at: nil, deleted_at: nil).select(:id)
          due = environment.db[:feeds].where(paused_at: nil, next_at: ..now, workspace_id: open)
          environment.db.transaction do
            taken = due.returning(:workspace_id, :id).update(next_at: now + AGAIN)
            taken.each { |row| environment.queue.read_feed(row[:workspace_id], row[:id], at: now) }.size
          end
        end
      end
    end
  end
end
