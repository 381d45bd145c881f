# frozen_string_literal: true

module AskFirst
  module Store
    module Media
      # A client's media as the reader may see them, narrowed and in an order, page by page; and how many there are of
      # each kind, folder and thing to look at.
      class Library
        # order => the columns of its keyset, each with its direction
        ORDERS = {
          "newest" => [%i[added_at desc], %i[id desc]],
          "name" => [%i[sorted asc], %i[id asc]],
          "largest" => [%i[area desc], %i[id desc]]
        }.freeze
        # in which posts each medium is: as one of its files or as the picture of its link
        USES = <<~SQL
          SELECT u.media_id, count(DISTINCT p.id) AS used, count(DISTINCT p.id) FILTER (WHERE p.stage = 'out') AS out
          FROM (
            SELECT workspace_id, post_id, jsonb_array_elements_text(value) AS media_id
            FROM parts WHERE workspace_id = :w AND part = 'media' AND jsonb_typeof(value) = 'array'
            UNION ALL
            SELECT workspace_id, post_id, value #>> '{card,picture}' FROM parts
            WHERE workspace_id = :w AND part = 'link' AND value #>> '{card,picture}' IS NOT NULL
          ) u JOIN posts p ON (p.workspace_id, p.id) = (u.workspace_id, u.post_id) AND p.discarded_at IS NULL
          GROUP BY u.media_id
        SQL
        POSTS = 50 # that are shown beside a medium
        COLUMNS = %i[
          id
          name
          kind
          mime
          bytes
          width
          height
          duration_ms
          pages
          cover_ms
          folder_id
          description
          written
          usable_until
          usable_note
          boxes
          guess
          covered
          read_at
          near_to
          added_by
          added_at
          version
          number
          replaced_by
          first_id
        ].freeze
        LABELS =
          Sequel.lit(
            "ARRAY(SELECT label_id FROM media_labels l WHERE (l.workspace_id, l.media_id) = " \
              "(media.workspace_id, media.id) ORDER BY 1) AS label_ids"
          )
        PLACED = [
          Sequel.function(:lower, Sequel[:media][:name]).as(:sorted),
          (Sequel[:media][:width].cast(:bigint) * Sequel[:media][:height]).as(:area)
        ].freeze
        private_constant :USES, :LABELS, :PLACED

        # @param scope [Scope] of one workspace
        # @param today [Date] in the client's zone
        def initialize(scope, today)
          @scope = scope
          @today = today
        end

        # @param filters [Hash] :folder (id or "none"), :kind, :look, :label, :words
        # @param after [Hash, nil] the row that the page before ended with
        # @return [Array<Hash>]
        def page(filters, order:, limit:, after: nil)
          keys = ORDERS.fetch(order)
          found = @scope.db[narrowed(filters).select_all(:media).select_append(*PLACED).as(:media)]
          found = found.where(beyond(keys, after)) if after
          with_uses(found.order(*keys.map { |name, way| Sequel[:media][name].public_send(way) }).limit(limit))
        end

        # @return [Array<Hash>] lines of the posts that hold it, as of Store::Posts::Listed
        def posts_with(id)
          posts = Posts::Visible.narrow(@scope, @scope.rows(:posts)).where(discarded_at: nil)
          holding =
            @scope.db[:parts]
              .join(:media, workspace_id: :workspace_id)
              .where(
                Sequel[:media][:id] => id,
                Sequel[:parts][:workspace_id] => Sequel[:posts][:workspace_id],
                Sequel[:parts][:post_id] => Sequel[:posts][:id]
              )
              .where(Posts::Visible::HOLDING)
          Posts::Listed.lines(
            posts.where(holding.select(1).exists).order(Sequel.desc(:at, nulls: :last)).limit(POSTS)
          ).all
        end

        # @return [Hash, nil]
        def one(id) = some([id]).first

        # @return [Array<Hash>] those of them that the reader sees
        def some(ids)
          with_uses(visible.where(Sequel[:media][:id] => ids).select_all(:media).select_append(*PLACED))
        end

        # @return [Array<Hash>] every version of a medium, the newest first: id, number, added_by, added_at, edit
        def versions(row)
          first = row[:first_id] || row[:id]
          visible
            .where(Sequel.|({ Sequel[:media][:id] => first }, { first_id: first }))
            .order(Sequel.desc(:number))
            .select(*%i[id number added_by added_at edit].map { |name| Sequel[:media][name] })
            .all
        end

        # @return [Integer] the most pixels of a picture's shorter side that one of the reader's channels asks for; 0
        #   where none does
        def least
          @least ||=
            begin
              mine = @scope.limits[@scope.workspace_id]
              connected = @scope.rows(:channels).where(state: "connected")
              connected = connected.where(id: mine) if mine
              connected.max(Sequel.lit("(card #>> '{media,min_side}')::int")) || 0
            end
        end

        # @return [Hash] :all, :folders {id or nil => count}, :kinds {kind => count}, :looks {look => count}
        def counts
          looks = LOOKS.keys.map { |look| count_where(look(look)).as(look.to_sym) }
          {
            all: current.count,
            folders: current.group_and_count(:folder_id).to_hash(:folder_id, :count),
            kinds: current.group_and_count(:kind).to_hash(:kind, :count),
            looks: used_beside(current).get(looks).then { |row| LOOKS.keys.zip(row).to_h }
          }
        end

        # What is worth a look, each as a condition.
        LOOKS = {
          "unused" => Sequel.lit("uses.media_id IS NULL"),
          "undescribed" => Sequel.lit("media.kind = 'picture' AND media.description = ''"),
          "near" =>
            Sequel.lit(
              "media.near_to IS NOT NULL OR EXISTS (SELECT 1 FROM media o WHERE (o.workspace_id, o.near_to) = " \
                "(media.workspace_id, media.id))"
            ),
          "words" => Sequel.lit("media.covered > ?", (Core::Media::Coverage::MOST * 1_000_000).to_i),
          "small" => nil, # hangs on what the channels ask for
          "ends" => nil # and this on the day
        }.freeze

        private

        def visible = Posts::Visible.media(@scope, @scope.rows(:media))
        # Those that are in the library: of each its newest version.
        def current = visible.where(Sequel[:media][:replaced_by] => nil)

        def look(name)
          LOOKS.fetch(name) ||
            {
              "small" => Sequel.lit("media.kind = 'picture' AND LEAST(media.width, media.height) < ?", least),
              "ends" => Sequel.lit("media.usable_until <= ?", @today + Core::Media::Usable::SOON)
            }.fetch(name)
        end

        def count_where(condition) = Sequel.function(:count).*.filter(condition)

        def narrowed(filters)
          found = current
          found = found.where(kind: filters[:kind]) if filters[:kind]
          found = found.where(folder_id: filters[:folder] == "none" ? nil : filters[:folder]) if filters[:folder]
          found = used_beside(found) if filters[:look] == "unused"
          found = found.where(look(filters[:look])) if filters[:look]
          found = found.where(labelled(filters[:label])) if filters[:label]
          filters[:words].to_s.split.reduce(found) { |some, word| some.where(holding(word)) }
        end

        def labelled(label_id)
          carrying = { workspace_id: Sequel[:media][:workspace_id], media_id: Sequel[:media][:id], label_id: label_id }
          @scope.db[:media_labels].where(carrying).select(1).exists
        end

        # In its name, in what is said of it and written on it, or in the name of one of its labels.
        def holding(word)
          like = "%#{@scope.db.dataset.escape_like(word)}%"
          labels =
            @scope.db[:media_labels]
              .join(:labels, workspace_id: :workspace_id, id: :label_id)
              .where(
                Sequel[:media_labels][:workspace_id] => Sequel[:media][:workspace_id],
                Sequel[:media_labels][:media_id] => Sequel[:media][:id]
              )
              .where(Sequel[:labels][:name].ilike(like))
          texts = %i[name description written].map { |column| Sequel[:media][column].ilike(like) }
          Sequel.|(*texts, labels.select(1).exists)
        end

        # Rows that come after one in an order: the first column in which they differ decides.
        def beyond(keys, after)
          keys
            .each_index
            .map do |at|
              same = keys.first(at).map { |name, _| { Sequel[:media][name] => after.fetch(name) } }
              name, way = keys[at]
              column = Sequel[:media][name]
              Sequel.&(*same, way == :desc ? column < after.fetch(name) : column > after.fetch(name))
            end
            .reduce(:|)
        end

        def used_beside(dataset)
          uses = @scope.db[USES, w: @scope.workspace_id].as(:uses)
          dataset.left_join(uses, Sequel[:uses][:media_id] => Sequel.cast(Sequel[:media][:id], :text))
        end

        # Each with in how many posts it is, and in how many that are out.
        def with_uses(dataset)
          @scope.db[dataset.as(:media)]
            .left_join(used.lateral.as(:uses), Sequel.lit("true"))
            .select(*COLUMNS.map { |name| Sequel[:media][name] }, :sorted, :area, :used, :out, LABELS)
            .all
        end

        def used
          posts = Posts::Visible.narrow(@scope, @scope.rows(:posts)).where(discarded_at: nil)
          holding = {
            Sequel[:u][:workspace_id] => Sequel[:media][:workspace_id],
            Sequel[:u][:post_id] => Sequel[:p][:id]
          }
          each = Sequel.function(:count, Sequel[:p][:id]).distinct
          @scope.db[posts.as(:p)]
            .join(Sequel[:parts].as(:u), holding)
            .where(Posts::Visible::HOLDING)
            .select(each.as(:used), each.filter(Sequel[:p][:stage] => "out").as(:out))
        end
      end
    end
  end
end
