# frozen_string_literal: true

module AskFirst
  module Store
    # Locks, always taken in one order: agency, workspace, channel, post. An act that can change a verdict locks its
    # narrowest lock; the dispatcher locks all four for share while it checks and marks a showing as sending.
    #
    # FOR NO KEY UPDATE, so that a foreign key's look at the same row (FOR KEY SHARE) does not wait for an act that
    # holds it:
    # with FOR UPDATE, whoever inserted a row under a narrow lock waited for a wider one, against the order.
    module Locks
      LOCK = "FOR NO KEY UPDATE"

      module_function

      # @param post_ids [Array<String>] sorted here, so that two acts over several posts cannot wait for each other
      def for_posts(scope, post_ids)
        scope.rows(:posts).where(id: post_ids).order(:id).lock_style(LOCK).select_map(:id)
      end

      def for_channel(scope, channel_id)
        scope.rows(:channels).where(id: channel_id).lock_style(LOCK).select_map(:id)
      end

      def for_workspace(scope)
        scope.db[:workspaces].where(id: scope.workspace_id).lock_style(LOCK).select_map(:id)
      end

      # The client, shared by whoever acts in it: nobody's part in it changes meanwhile, and it is neither archived nor
      # deleted.
      def for_member(scope)
        scope.db[:workspaces].where(id: scope.workspace_id).lock_style("FOR SHARE").select_map(:id)
      end

      # The sealed record of the client, until the transaction ends.
      def for_seal(scope)
        key = Sequel.function(:hashtextextended, scope.workspace_id, 7)
        scope.db.get(Sequel.function(:pg_advisory_xact_lock, key))
      end

      # One piece of work of our processes: whoever wants the same waits. The lock goes with the connection of a process
      # that dies.
      # @param key [Integer] 64 bits
      def alone(db, key)
        db.synchronize do
          db.get(Sequel.function(:pg_advisory_lock, key))
          yield
        ensure
          db.get(Sequel.function(:pg_advisory_unlock, key))
        end
      end

      # All four for many showings of one client, in the order above and each kind by its ids. A post that somebody is
      # at is left out instead of waited for: whoever sends comes back for it.
      # @param channel_ids [Array<String>]
      # @param post_ids [Array<String>]
      # @return [Array(Hash, Time, Array<String>)] the client's row (nil when it is gone) with :brought_back (whether
      # the database
      #   was, and nobody has looked yet), the database's clock, the posts' ids
      def for_sending_many(scope, channel_ids:, post_ids:)
        client =
          scope
            .db
            .from(:agencies)
            .join(:workspaces, { agency_id: :id })
            .where(Sequel[:workspaces][:id] => scope.workspace_id)
            .select_all(:workspaces)
            .select_append(Sequel.function(:clock_timestamp).as(:there), unlooked(scope.db).as(:brought_back))
            .lock_style("FOR SHARE")
            .first
        return nil, nil, [] if client.nil?

        scope.rows(:channels).where(id: channel_ids).order(:id).lock_style("FOR SHARE").select_map(:id)
        free = scope.rows(:posts).where(id: post_ids).order(:id).lock_style("#{LOCK} SKIP LOCKED").select_map(:id)
        [client, client[:there], free]
      end

      def unlooked(db)
        db[:returns].where(agency_id: Sequel[:agencies][:id], looked_at: nil).select(1).exists
      end
      private_class_method :unlooked

      # All four in one statement, which locks its tables in the order in which it names them.
      # @param moves [Boolean] whether the act itself moves the post on: two that both share its lock would wait for
      # each other
      # @return [Hash, nil] the workspace's row; nil when it is gone
      def for_sending(scope, channel_id:, post_id:, moves: false)
        scope
          .db
          .from(:agencies)
          .join(:workspaces, { agency_id: :id })
          .where(Sequel[:workspaces][:id] => scope.workspace_id)
          .join(:channels, { workspace_id: Sequel[:workspaces][:id], id: channel_id })
          .join(:posts, { workspace_id: Sequel[:workspaces][:id], id: post_id })
          .select_all(:workspaces)
          .lock_style(moves ? "FOR SHARE OF agencies, workspaces, channels #{LOCK} OF posts" : "FOR SHARE")
          .first
      end
    end
  end
end
