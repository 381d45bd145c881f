# frozen_string_literal: true

module AskFirst
  module Store
    module Posts
      # Posts in a list, newest first, over one or many workspaces.
      class Listed
        FOUND = 500 # posts looked at when words are searched for
        # What a line shows of a post; all of a row takes twice as long to read.
        COLUMNS = %i[id workspace_id subject inner_name stage strip at].map { |column| Sequel[:posts][column] }.freeze
        # where it goes, in the same round trip
        CHANNELS = Sequel.lit(<<~SQL)
          (SELECT json_agg(json_build_object('id', c.id, 'network', c.network, 'initials', c.initials, 'name', c.name,
              'connection', c.state, 'stage', a.stage) ORDER BY c.position)
            FROM adaptations a JOIN channels c ON (c.workspace_id, c.id) = (a.workspace_id, a.channel_id)
            WHERE (a.workspace_id, a.post_id) = (posts.workspace_id, posts.id) AND a.removed_at IS NULL) AS channels
        SQL
        private_constant :COLUMNS, :CHANNELS

        # @param posts [Sequel::Dataset] that the reader may see
        # @return [Sequel::Dataset] what their lines show: with :channels, those that the reader sees
        def self.lines(posts) = posts.select(*COLUMNS, CHANNELS)

        # @param row [Hash] of `lines`
        # @return [Array<Hash>] the channels that the post is on, as far as the reader sees them, in order
        def self.channels_of(scope, row)
          limits = scope.limits[row[:workspace_id]]
          all = row[:channels] || []
          limits ? all.select { |channel| limits.include?(channel["id"]) } : all
        end

        # @param stage [String, nil]
        # @param words [String] looked for in subject lines, inner names and copy
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
          return newest_of_one(before, limit) if plain?

          self.class.lines(@words.empty? ? newest(before, limit) : matching(before, limit)).all
        end

        # @return [Integer] channels that the reader has switched off, where posts are left out for it
        def switched_off
          @all ? 0 : off.size
        end

        private

        # One client, and nothing narrowed but the stage: what is asked for most.
        def plain?
          @scope.workspace_ids.one? && @scope.limits.empty? && @words.empty? && @channels.nil? && (@all || off.empty?)
        end

        def newest_of_one(before, limit)
          narrowed = { stage: @stage, before: before }.compact
          # the limit is a part of the statement: a plan for any limit reads the channels of posts that are not shown
          Database
            .prepared(@scope.db, :"newest_#{limit}_posts_#{narrowed.keys.join("_")}") do
              posts = @scope.db[:posts].where(workspace_id: :$workspace)
              posts = posts.where(stage: :$stage) if @stage
              posts = posts.where(Sequel[:id] < Sequel.cast(:$before, :uuid)) if before
              self.class.lines(posts.order(Sequel.desc(:id)).limit(limit))
            end
            .call(workspace: @scope.workspace_id, **narrowed)
        end

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
