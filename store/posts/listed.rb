# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Posts in a list, newest first, over one or many workspaces.
      class Listed
        FOUND = 500 # posts looked at when words are searched for

        # where the posts of a list go
        CHANNELS = <<~SQL
          SELECT a.workspace_id, a.channel_id, a.post_id, c.network, c.initials, c.name, c.state AS connection, a.stage
          FROM unnest(:workspaces::uuid[], :posts::uuid[]) AS found (workspace_id, post_id)
          JOIN adaptations a ON (a.workspace_id, a.post_id) = (found.workspace_id, found.post_id)
            AND a.removed_at IS NULL
          JOIN channels c ON (c.workspace_id, c.id) = (a.workspace_id, a.channel_id)
          ORDER BY c.position
        SQL
        private_constant :CHANNELS

        # @param posts [Array<Hash>] rows with :workspace_id and :id
        # @return [Hash{String=>Array<Hash>}] post id => the channels that it is on, as far as the reader sees them, in
        # order
        def self.channels_of(scope, posts)
          mine = posts.select { |row| scope.workspace_ids.include?(row[:workspace_id]) }
          return {} if mine.empty?

          Database
            .prepared(scope.db, :channels_of_posts) { scope.db[CHANNELS, { workspaces: :$workspaces, posts: :$posts }] }
            .call(
              workspaces: Database.uuids(mine.map { |row| row[:workspace_id] }),
              posts: Database.uuids(mine.map { |row| row[:id] })
            )
            .select { |row| sees?(scope, row) }
            .group_by { |row| row[:post_id] }
        end

        # A member whose part is limited to channels sees these of a post.
        def self.sees?(scope, row)
          limits = scope.limits[row[:workspace_id]]
          limits.nil? || limits.include?(row[:channel_id])
        end
        private_class_method :sees?

        # @param stage [String, nil]
        # @param words [String] looked for in subject lines and copy
        # @param channels [Array<String>, nil] only posts on one of these channels
        # @param all [Boolean] also posts that are only on channels which the reader has switched off
        def initialize(scope, stage:, words:, channels:, all:)
          @scope = scope
          @stage = stage
          @words = words
          @channels = channels
          @all = all
        end

        # @param before [String, nil] the last id of the page before
        # @return [Array<Hash>] rows of posts
        def page(before, limit)
          (@words.empty? ? newest(before, limit) : matching(before, limit)).all
        end

        # @return [Integer] channels that the reader has switched off, where posts are left out for it
        def switched_off
          @all ? 0 : off.size
        end

        private

        def newest(before, limit)
          @scope.first_of_each(:posts, [Sequel.desc(Sequel[:posts][:id])], limit) { |posts| narrow(posts, before) }
        end

        # The function finds in the scope's workspaces by index; the rest narrows what it found.
        def matching(before, limit)
          like = "%#{@words.gsub(/[\\%_]/) { |one| "\\#{one}" }}%"
          found = @scope.db.from(Sequel.function(:app_find_posts, like, FOUND)).select_map(%i[workspace_id id])
          narrow(@scope.rows_at(:posts, found), before).order(Sequel.desc(Sequel[:posts][:id])).limit(limit)
        end

        def narrow(posts, before)
          posts = posts.where(Sequel[:posts][:stage] => @stage) if @stage
          posts = posts.where(Sequel[:posts][:id] < before) if before
          posts = posts.where(on_channels.where(channel_id: @channels).select(1).exists) if @channels
          posts = posts.exclude(only_switched_off) unless @all || off.empty?
          Visible.narrow(@scope, posts)
        end

        def on_channels
          @scope.db[:adaptations].where(
            workspace_id: Sequel[:posts][:workspace_id],
            post_id: Sequel[:posts][:id],
            removed_at: nil
          )
        end

        def only_switched_off
          Sequel.&(on_channels.select(1).exists, ~on_channels.exclude(channel_id: off).select(1).exists)
        end

        def off
          @off ||= @scope.rows(:channels_off).where(person_id: @scope.person_id).select_map(:channel_id)
        end
      end
    end
  end
end
