# frozen_string_literal: true

module AskFirst
  module Store
    module Ideas
      # A client's ideas as the reader may see them, narrowed and in an order, page by page; each with what has become
      # of it.
      class Board
        # order => the columns of its keyset, each with its direction
        ORDERS = {
          "place" => [%i[place asc], %i[id asc]],
          "newest" => [%i[id desc]],
          "worth" => [%i[worth desc], %i[id desc]],
          "due" => [%i[due_first asc], %i[id asc]]
        }.freeze
        COLUMNS = %i[
          id
          title
          note
          link
          audience
          category
          keywords
          channel_id
          status
          group_id
          place
          due_on
          came
          side
          given_by
          given_at
          votes
          worth
          version
        ].freeze
        POSTS = <<~SQL
          SELECT p.id, p.stage, p.at FROM posts p
          WHERE (p.workspace_id, p.idea_id) = (ideas.workspace_id, ideas.id) AND p.discarded_at IS NULL
          ORDER BY p.stage = 'out' DESC, p.id DESC LIMIT 1
        SQL
        MARKS = <<~SQL
          SELECT min(m.day) AS day, count(*) AS marks FROM pencil_marks m
          WHERE (m.workspace_id, m.idea_id) = (ideas.workspace_id, ideas.id)
        SQL
        MADE =
          "(EXISTS (SELECT 1 FROM posts p WHERE (p.workspace_id, p.idea_id) = (ideas.workspace_id, ideas.id) AND " \
            "p.discarded_at IS NULL) OR EXISTS (SELECT 1 FROM pencil_marks m WHERE (m.workspace_id, m.idea_id) = " \
            "(ideas.workspace_id, ideas.id)))"
        # state => condition, as Core::Ideas::IdeaState says them
        STATES = {
          "open" => "ideas.status <> 'aside' AND NOT #{MADE}",
          "made" => MADE,
          "aside" => "ideas.status = 'aside' AND NOT #{MADE}",
          "late" => "ideas.status <> 'aside' AND ideas.due_on < :today AND NOT #{MADE}",
          "client" => "ideas.side = 'client'"
        }.freeze
        private_constant :POSTS, :MARKS, :MADE, :STATES

        # @param scope [Scope] of one workspace
        # @param today [Date] in the client's zone
        def initialize(scope, today)
          @scope = scope
          @today = today
        end

        # @param filters [Hash] :group (id or "none"), :state, :category, :words
        # @param after [Hash, nil] the row that the page before ended with
        # @return [Array<Hash>]
        def page(filters, order:, limit:, after: nil)
          keys = ORDERS.fetch(order)
          found = narrowed(filters)
          found = found.where(beyond(keys, after)) if after
          whole(found.order(*keys.map { |name, way| column(name).public_send(way) }).limit(limit))
        end

        # The first of each group.
        # @return [Array<Hash>] as of `page`, with how many are in the group as :in_group
        def columns(filters, limit)
          place =
            Sequel.function(:row_number).over(
              partition: Sequel[:ideas][:group_id],
              order: [Sequel[:ideas][:place], Sequel[:ideas][:id]]
            )
          all = Sequel.function(:count).*.over(partition: Sequel[:ideas][:group_id])
          ranked = narrowed(filters).select(Sequel[:ideas][:id], place.as(:rank), all.as(:in_group))
          firsts = @scope.db[ranked.as(:ranked)].where(rank: 1..limit).to_hash(:id, :in_group)
          ids = { Sequel[:ideas][:id] => firsts.keys }
          whole(visible.where(ids).order(column(:place), column(:id))).map do |row|
            row.merge(in_group: firsts.fetch(row[:id]))
          end
        end

        # @return [Hash, nil]
        def one(id) = whole(visible.where(Sequel[:ideas][:id] => id)).first

        # @param ideas [Sequel::Dataset] of ideas that the reader may see
        # @return [Array<Hash>] with :dropped_at
        def of(ideas) = whole(ideas, [:dropped_at])

        # @return [Hash{Symbol=>Integer}] how many there are in each state
        def counts
          states = STATES.map { |name, sql| Sequel.function(:count).*.filter(lit(sql)).as(name.to_sym) }
          visible.select(Sequel.function(:count).*.as(:all), *states).first
        end

        # @return [Array<String>] categories that are in use
        def categories = visible.exclude(category: "").distinct.order(:category).select_map(:category)

        private

        def visible = Posts::Visible.ideas(@scope, @scope.rows(:ideas)).where(dropped_at: nil)
        def lit(sql) = Sequel.lit(sql, today: @today)

        # An idea without a day comes after those that have one.
        def column(name)
          name == :due_first ? Sequel.function(:coalesce, Sequel[:ideas][:due_on], "infinity") : Sequel[:ideas][name]
        end

        def narrowed(filters)
          found = visible
          found = found.where(lit(STATES.fetch(filters[:state]))) if filters[:state]
          found = found.where(group_id: filters[:group] == "none" ? nil : filters[:group]) if filters[:group]
          found = found.where(category: filters[:category]) if filters[:category]
          filters[:words].to_s.split.reduce(found) { |some, word| some.where(holding(word)) }
        end

        def holding(word)
          like = "%#{@scope.db.dataset.escape_like(word)}%"
          keywords =
            Sequel.lit("EXISTS (SELECT 1 FROM jsonb_array_elements(keywords) k WHERE k ->> 'words' ILIKE ?)", like)
          texts = %i[title note audience category link].map { |name| Sequel[:ideas][name].ilike(like) }
          Sequel.|(*texts, keywords)
        end

        # Rows that come after one in an order: the first column in which they differ decides.
        def beyond(keys, after)
          row = after.merge(due_first: after[:due_on] || "infinity")
          keys
            .each_index
            .map do |at|
              same = keys.first(at).map { |name, _| { column(name) => row.fetch(name) } }
              name, way = keys[at]
              Sequel.&(*same, way == :desc ? column(name) < row.fetch(name) : column(name) > row.fetch(name))
            end
            .reduce(:|)
        end

        # Each with its newest post, its pencil marks, its files and the reader's own vote.
        def whole(dataset, more = [])
          seen = @scope.db[dataset.select_all(:ideas).as(:ideas)]
          found =
            seen
              .left_join(@scope.db[POSTS].lateral.as(:post), Sequel.lit("true"))
              .left_join(@scope.db[MARKS].lateral.as(:mark), Sequel.lit("true"))
              .select(*[*COLUMNS, *more].map { |name| Sequel[:ideas][name] })
              .select_append(*beside)
              .all
          hide(found)
        end

        def beside
          [
            Sequel[:post][:id].as(:post_id),
            Sequel[:post][:stage],
            Sequel[:post][:at],
            Sequel[:mark][:day].as(:pencilled),
            Sequel.lit(
              "ARRAY(SELECT f.media_id FROM idea_media f WHERE (f.workspace_id, f.idea_id) = " \
                "(ideas.workspace_id, ideas.id) ORDER BY f.place) AS media_ids"
            ),
            Sequel.lit(
              "(SELECT v.worth FROM idea_votes v WHERE (v.workspace_id, v.idea_id, v.person_id) = " \
                "(ideas.workspace_id, ideas.id, ?)) AS mine",
              @scope.person_id
            )
          ]
        end

        # A post on channels that the reader does not see is not named, nor a file that they do not see.
        def hide(found)
          return found if @scope.limits.empty?

          posts = @scope.rows(:posts).where(Sequel[:posts][:id] => found.filter_map { |row| row[:post_id] })
          posts = Posts::Visible.narrow(@scope, posts).select_map(Sequel[:posts][:id])
          media = @scope.rows(:media).where(Sequel[:media][:id] => found.flat_map { |row| row[:media_ids].to_a }.uniq)
          media = Posts::Visible.media(@scope, media).select_map(Sequel[:media][:id])
          found.each do |row|
            row[:post_id] = nil unless posts.include?(row[:post_id])
            row[:media_ids] = row[:media_ids].to_a & media
          end
        end
      end
    end
  end
end
