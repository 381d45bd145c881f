# frozen_string_literal: true

module AskFirst
  module Store
    module Agency
      # What is found by a word over the clients that a person may see: posts, people, labels, campaigns, and files in
      # posts. A member who is limited to channels finds what is on these.
      class Found
        MOST = 6 # of each kind
        LOOKED_AT = 60 # files that are looked at for a post that shows them
        POSTS = 100 # posts that are looked at for those that the reader sees
        SETS = RowSets.new(:found, people: <<~SQL, labels: <<~SQL, campaigns: <<~SQL, media: <<~SQL)
              SELECT DISTINCT ON (lower(p.name), p.id) p.id, p.name, m.workspace_id, m.id AS membership_id, m.side
              FROM memberships m JOIN people p ON p.id = m.person_id
              WHERE m.workspace_id = ANY(:w) AND m.ended_at IS NULL AND p.name ILIKE :like
              ORDER BY lower(p.name), p.id, m.workspace_id LIMIT #{MOST}
            SQL
              SELECT workspace_id, id, name, colour, initials FROM labels
              WHERE workspace_id = ANY(:w) AND merged_into IS NULL AND name ILIKE :like ORDER BY lower(name), id LIMIT #{MOST}
            SQL
              SELECT workspace_id, id, name FROM campaigns
              WHERE workspace_id = ANY(:w) AND name ILIKE :like ORDER BY lower(name), id LIMIT #{MOST}
            SQL
              SELECT m.workspace_id, m.id, m.name, t.post_id
              FROM (SELECT * FROM media WHERE workspace_id = ANY(:w) AND name ILIKE :like ORDER BY id DESC LIMIT #{LOOKED_AT}) m
              JOIN LATERAL (
                SELECT post_id FROM parts WHERE workspace_id = m.workspace_id AND part = 'media'
                  AND value @> to_jsonb(ARRAY[m.id::text]) ORDER BY post_id DESC LIMIT 1
              ) t ON true
            SQL
        private_constant :SETS

        # @param scope [Scope] of the agency side
        # @param words [String]
        def initialize(scope, words)
          @scope = scope
          @words = words
          @like = "%#{words.gsub(/[\\%_]/) { |one| "\\#{one}" }}%"
        end

        # @return [Hash{Symbol=>Array<Hash>}] :posts, :discarded, :people, :labels, :campaigns, :media, at most MOST of
        #   each
        def call
          sets = SETS.fetch(@scope.db, w: Database.uuids(@scope.workspace_ids), like: @like)
          discarded = Posts::Discarded.page(@scope, words: @words, before: nil, limit: MOST)
          sets.merge(posts: posts, discarded: discarded, media: media(sets[:media]))
        end

        private

        def posts
          key = [Sequel[:posts][:workspace_id], Sequel[:posts][:id]]
          found = @scope.db.from(Sequel.function(:app_find_posts, @like, POSTS)).select(:workspace_id, :id)
          visible = Posts::Visible.narrow(@scope, @scope.rows(:posts)).where(key => found)
          Posts::Listed.lines(visible.order(Sequel.desc(Sequel[:posts][:id])).limit(MOST)).all
        end

        # Files of posts that the reader sees.
        def media(rows)
          ids = rows.map { |row| row[:post_id] }.uniq
          return [] if ids.empty?

          seen = Posts::Visible.narrow(@scope, @scope.rows(:posts)).where(Sequel[:posts][:id] => ids)
          seen = seen.select_hash(Sequel[:posts][:id], Sequel[:posts][:subject])
          rows
            .select { |row| seen.key?(row[:post_id]) }
            .first(MOST)
            .map { |row| row.merge(subject: seen[row[:post_id]]) }
        end
      end
    end
  end
end
