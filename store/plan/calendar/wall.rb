# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # What stands on the wall of a channel: its planned posts and the last that are out, with their first picture.
      module Wall
        OUT = 24 # that are out, at most
        MOST = 90

        SETS = RowSets.new(:plan_wall, cells: <<~SQL)
              SELECT a.post_id, a.stage, m.id AS media_id, m.mime, left(coalesce(own_text.value, text.value) #>> '{}', 200) AS words
              FROM adaptations a
              JOIN posts p ON (p.workspace_id, p.id) = (a.workspace_id, a.post_id)
              LEFT JOIN parts own_media ON (own_media.workspace_id, own_media.post_id, own_media.channel_id, own_media.part)
                = (a.workspace_id, a.post_id, a.channel_id, 'media')
              LEFT JOIN parts media ON (media.workspace_id, media.post_id, media.part) = (a.workspace_id, a.post_id, 'media')
                AND media.channel_id IS NULL
              LEFT JOIN parts own_text ON (own_text.workspace_id, own_text.post_id, own_text.channel_id, own_text.part)
                = (a.workspace_id, a.post_id, a.channel_id, 'text')
              LEFT JOIN parts text ON (text.workspace_id, text.post_id, text.part) = (a.workspace_id, a.post_id, 'text')
                AND text.channel_id IS NULL
              LEFT JOIN media m ON m.workspace_id = a.workspace_id
                AND m.id::text = coalesce(own_media.value, media.value) ->> 0
              WHERE a.workspace_id = ANY(:w) AND a.post_id = ANY(:posts::uuid[]) AND a.channel_id = :channel::uuid
            SQL
        private_constant :SETS

        module_function

        # @param scope [Scope]
        # @param channel_id [String]
        # @param now [Time]
        # @return [Array<String>] ids of posts, those that go out last first
        def posts(scope, channel_id, now)
          here = scope.rows(:adaptations).where(channel_id: channel_id, removed_at: nil)
          visible = Posts::Visible.narrow(scope, scope.rows(:posts)).exclude(Sequel[:posts][:at] => nil)
          at = Sequel[:posts][:at]
          of = ->(stages) { visible.where(Sequel[:posts][:id] => stages.select(:post_id)).order(Sequel.desc(at)) }
          planned = of.call(here.exclude(stage: "out")).where { |_| at > now - (30 * 86_400) }.limit(MOST)
          out = of.call(here.where(stage: "out")).limit(OUT)
          [planned, out].flat_map { |posts| posts.select_map(Sequel[:posts][:id]) }.uniq
        end

        # @return [Hash{String=>Hash}] post => {stage:, media_id:, mime:, words:} on this channel
        def cells(scope, channel_id, ids)
          values = { w: Database.uuids(scope.workspace_ids), posts: Database.uuids(ids), channel: channel_id }
          SETS.fetch(scope.db, **values)[:cells].to_h { |row| [row[:post_id], row] }
        end
      end
    end
  end
end
