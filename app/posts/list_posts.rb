# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # A page of posts, newest first, over one or many workspaces with one query set.
      class ListPosts
        PAGE = 50
        FOUND = 500 # posts looked at when words are searched for

        # @param scope [Store::Scope]
        # @param before [String, nil] keyset cursor: the last id of the page before
        # @param words [String, nil] looked for in subject lines and copy
        # @param channels [Array<String>, nil] only posts on one of these channels
        # @param all [Boolean] also posts that are only on channels which the reader has switched off
        def self.call(scope, stage: nil, before: nil, words: nil, channels: nil, all: true, limit: PAGE)
          scope.transaction { new(scope, stage, words, channels, all).page(before, limit) }
        end

        def initialize(scope, stage, words, channels, all)
          @scope = scope
          @stage = stage
          @words = words.to_s.strip
          @channels = channels&.grep(Core::Uuid::FORMAT)
          @all = all
        end

        def page(before, limit)
          last = Paging.id(before)
          found = @words.empty? ? newest(last, limit) : matching(last, limit)
          {
            posts: self.class.with_channels(@scope, found.first(limit)),
            next: found.size > limit ? found[limit - 1][:id] : nil,
            switched_off: @all ? 0 : off.count
          }
        end

        def self.with_channels(scope, rows)
          channels =
            scope
              .rows_at(:adaptations, rows.map { |row| row.values_at(:workspace_id, :id) }, column: :post_id)
              .where(removed_at: nil)
              .join(:channels, workspace_id: :workspace_id, id: :channel_id)
              .order(:position)
              .select(
                Sequel[:adaptations][:workspace_id],
                :channel_id,
                :post_id,
                :network,
                :initials,
                :name,
                Sequel[:channels][:state].as(:connection),
                Sequel[:adaptations][:stage]
              )
              .all
              .select { |row| mine?(scope, row) }
              .group_by { |row| row[:post_id] }
          rows.map { |row| row_json(row, channels.fetch(row[:id], [])) }
        end

        # A member whose part is limited to channels sees these of a post.
        def self.mine?(scope, row)
          limits = scope.limits[row[:workspace_id]]
          limits.nil? || limits.include?(row[:channel_id])
        end

        def self.row_json(row, channels)
          {
            id: row[:id],
            workspace_id: row[:workspace_id],
            subject: row[:subject],
            stage: row[:stage],
            strip: row[:strip],
            at: row[:at]&.iso8601,
            channels: channels.map { |channel| channel.slice(:network, :initials, :name, :stage, :connection) }
          }
        end

        private

        def newest(before, limit)
          @scope
            .first_of_each(:posts, [Sequel.desc(Sequel[:posts][:id])], limit + 1) { |posts| narrow(posts, before) }
            .all
        end

        # The function finds in the scope's workspaces by index; the rest narrows what it found.
        def matching(before, limit)
          like = "%#{@words.gsub(/[\\%_]/) { |one| "\\#{one}" }}%"
          found = @scope.db.from(Sequel.function(:app_find_posts, like, FOUND)).select_map(%i[workspace_id id])
          narrow(@scope.rows_at(:posts, found), before).order(Sequel.desc(Sequel[:posts][:id])).limit(limit + 1).all
        end

        def narrow(posts, before)
          posts = posts.where(Sequel[:posts][:stage] => @stage) if @stage
          posts = posts.where(Sequel[:posts][:id] < before) if before
          posts = posts.where(on_channels.where(channel_id: @channels).select(1).exists) if @channels
          posts = posts.exclude(only_switched_off) unless @all || off.empty?
          Store::Posts::Visible.narrow(@scope, posts)
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
