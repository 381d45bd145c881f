# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # A page of posts, newest first, over one or many workspaces with one query.
      class ListPosts
        PAGE = 50

        # @param scope [Store::Scope]
        # @param before [String, nil] keyset cursor: the last id of the page before
        def self.call(scope, stage: nil, before: nil, limit: PAGE)
          posts = scope.rows(:posts)
          posts = posts.where(stage: stage) if stage
          posts = posts.where { id < before } if before
          page = posts.order(Sequel.desc(:id)).limit(limit + 1).all
          { posts: with_channels(scope, page.first(limit)), next: page.size > limit ? page[limit - 1][:id] : nil }
        end

        def self.with_channels(scope, rows)
          channels = scope.rows(:adaptations).where(post_id: rows.map { |row| row[:id] }, removed_at: nil)
                          .join(:channels, workspace_id: :workspace_id, id: :channel_id).order(:position)
                          .select(:post_id, :network, :initials, :name, Sequel[:adaptations][:stage]).all.group_by { |row| row[:post_id] }
          rows.map { |row| row_json(row, channels.fetch(row[:id], [])) }
        end

        def self.row_json(row, channels)
          { id: row[:id], workspace_id: row[:workspace_id], subject: row[:subject], stage: row[:stage], strip: row[:strip], at: row[:at]&.iso8601,
            channels: channels.map { |channel| channel.slice(:network, :initials, :name, :stage) } }
        end
      end
    end
  end
end
