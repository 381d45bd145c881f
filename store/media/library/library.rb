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
          ) u JOIN :posts p ON (p.workspace_id, p.id) = (u.workspace_id, u.post_id)
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
          frame_rate
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
        SHOWN = [
          *COLUMNS.map { |name| Sequel[:media][name] },
          :sorted,
          :area,
          Sequel[:people][:name].as(:added_by_name)
        ].freeze
        private_constant :USES, :LABELS, :PLACED, :SHOWN

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
          return newest(limit, after) if filters.empty? && order == "newest" && @scope.limits.empty?

          keys = ORDERS.fetch(order)
          found = @scope.db[narrowed(filters).select_all(:media).select_append(*PLACED).as(:media)]
          found = found.where(beyond(keys, after)) if after
          with_uses(found.order(*in_order(keys)).limit(limit)).all
        end

        # @return [Array<Hash>] lines of the posts that hold it, as of Store::Posts::Listed
        def posts_with(id)
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
            seen_posts.where(holding.select(1).exists).order(Sequel.desc(:at, nulls: :last)).limit(POSTS)
          ).all
        end

        # @return [Hash, nil]
        def one(id) = some([id]).first

        # @return [Array<Hash>] those of them that the reader sees
        def some(ids)
          with_uses(visible.where(Sequel[:media][:id] => ids).select_all(:media).select_append(*PLACED)).all
        end

        # Films that are being made of a file, and those that could not be made since.
        # @return [Array<Hash>] :id, :asked_at, :person_id, :wrong
        def making(id, since)
          failed = Sequel.&(~Sequel.expr(wrong: nil), Sequel[:ended_at] > since)
          @scope
            .rows(:film_edits)
            .where(media_id: id)
            .where(Sequel.|({ ended_at: nil }, failed))
            .order(:asked_at)
            .select(:id, :asked_at, :person_id, :wrong)
            .all
        end

        # @param row [Hash] of a file
        # @return [Array<Hash>] others that look nearly the same, as far as the reader sees them
        def near(row)
          first = row[:near_to] || row[:id]
          alike = @scope.rows(:media).where(Sequel.|({ near_to: first }, { id: first }))
          some(alike.where(replaced_by: nil).exclude(id: row[:id]).select_map(:id))
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

        # @return [Hash] :all, :folders {id or nil => count}, :kinds {kind => count}, :looks {look => count}
        def counts
          found = counted.all
          summed = ->(key) do
            found.group_by { |row| row[key] }.transform_values { |rows| rows.sum { |row| row[:files] } }
          end
          {
            all: found.sum { |row| row[:files] },
            folders: summed.call(:folder_id),
            kinds: summed.call(:kind),
            looks: LOOKS.keys.to_h { |look| [look, found.sum { |row| row[look.to_sym] }] }
          }
        end

        # What is worth a look, each as a condition.
        LOOKS = {
          "unused" => Sequel.lit("uses.media_id IS NULL"),
          "undescribed" => Sequel.lit("media.kind = 'picture' AND media.description = ''"),
          "near" => nil, # hangs on the others
          "words" => Sequel.lit("media.covered > ?", (Core::Media::TextCoverage::MOST * 1_000_000).to_i),
          "small" => nil, # on what the channels ask for
          "ends" => nil # on the day
        }.freeze

        private

        # What is asked for most is prepared. The limit is a part of the statement: a plan for any limit reads the uses
        # of media that are not shown.
        def newest(limit, after)
          keys = ORDERS["newest"]
          values = after ? after.slice(:added_at, :id) : {}
          Database
            .prepared(@scope.db, :"newest_#{limit}_media#{"_after" if after}") do
              media = @scope.db[:media].where(workspace_id: :$w, replaced_by: nil).order(*in_order(keys)).limit(limit)
              last = { added_at: Sequel.cast(:$added_at, :timestamptz), id: Sequel.cast(:$id, :uuid) }
              media = media.where(beyond(keys, last)) if after
              posts, channels = %i[posts channels].map { |table| @scope.db[table].where(workspace_id: :$w) }
              posts = posts.where(discarded_at: nil)
              with_uses(media.select_all(:media).select_append(*PLACED), posts, asking(channels))
            end
            .call(w: @scope.workspace_id, **values)
        end

        def in_order(keys) = keys.map { |name, way| Sequel[:media][name].public_send(way) }

        def visible = Posts::Visible.media(@scope, @scope.rows(:media))
        # Those that are in the library: of each its newest version.
        def current = visible.where(Sequel[:media][:replaced_by] => nil)

        def look(name)
          LOOKS.fetch(name) ||
            {
              "near" => ~Sequel.expr(Sequel[:media][:near_to] => nil) | { Sequel[:media][:id] => others },
              "small" => Sequel.lit("media.kind = 'picture' AND LEAST(media.width, media.height) < ?", least),
              "ends" => Sequel.lit("media.usable_until <= ?", @today + Core::Media::Usable::SOON)
            }.fetch(name)
        end

        # Those that another one is near to.
        def others = @scope.rows(:media).exclude(near_to: nil).select(:near_to)

        # The most pixels of a picture's shorter side that one of the reader's channels asks for; 0 where none does. See
        # Core::Media::Size.
        def least
          mine = @scope.limits[@scope.workspace_id]
          asking(mine ? @scope.rows(:channels).where(id: mine) : @scope.rows(:channels))
        end

        def asking(channels)
          most = Sequel.lit("COALESCE(MAX((card #>> '{media,min_side}')::int), 0)")
          channels.where(state: "connected").select(most)
        end

        # One reading of them all: how many of each kind in each folder, and of those what is worth a look.
        def counted
          looks = LOOKS.keys.map { |look| count_where(look(look)).as(look.to_sym) }
          all = Sequel.function(:count).*.as(:files)
          used_beside(current).group(:kind, :folder_id).select(:kind, :folder_id, all, *looks)
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
          uses = @scope.db[USES, w: @scope.workspace_id, posts: seen_posts].as(:uses)
          dataset.left_join(uses, Sequel[:uses][:media_id] => Sequel.cast(Sequel[:media][:id], :text))
        end

        # Each with who added it, in how many posts it is and in how many that are out, and what the channels ask for.
        def with_uses(dataset, posts = seen_posts, asked = least)
          @scope.db[dataset.as(:media)]
            .left_join(:people, id: Sequel[:media][:added_by])
            .left_join(used(posts).lateral.as(:uses), Sequel.lit("true"))
            .select(*SHOWN, :used, :out, asked.as(:least), LABELS)
        end

        # The posts that count as uses: those that the reader sees.
        def seen_posts = Posts::Visible.narrow(@scope, @scope.rows(:posts)).where(discarded_at: nil)

        def used(posts)
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
