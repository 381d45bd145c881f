# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Looks anew at the posts that time alone has changed: the last day of somebody who was asked is over.
      class RefreshDue < Act
        stepwise
        of_process

        PART = 50 # posts

        # Of every client that has such posts.
        # @param environment [Environment] of our own process
        def self.all(environment)
          now = environment.now
          environment.db[:posts]
            .where { changes_at <= now }
            .distinct
            .select_map(:workspace_id)
            .each { |id| call(environment, Member.process(id, "time")) }
        end

        def call
          moment = now
          ids = reading { rows(:posts).where { changes_at <= moment }.order(:id).select_map(:id) }
          ids.each_slice(PART) { |some| write { refresh_stage(some) } }
        end
      end
    end
  end
end
