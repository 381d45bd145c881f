# frozen_string_literal: true

module AskFirst
  module Store
    module Agency
      # What the Desk lists, over one or many of a person's clients: each list as rows, in its order.
      class DeskRows
        NEXT = 8
        PEOPLE = 4 # who are asked for one line together, mostly fewer

        # @param scope [Scope]
        # @param now [Time]
        def initialize(scope, now)
          @scope = scope
          @now = now
          @waiting = Waiting.new(scope)
        end

        # @return [Hash{Symbol=>Integer}] how many there are of each, whatever is shown of them
        def counts
          mine = @scope.workspace_ids.empty? ? {} : of_all_clients(@waiting.counts.values)
          Waiting::TABLES
            .keys
            .to_h { |kind| [kind, mine.fetch(kind, 0)] }
            .merge(
              others,
              can_release: @waiting.posts.where(stage: "cleared").count,
              trouble: showings.where(stuck).count
            )
        end

        # @return [Array<Hash>] open lines that the reader is asked for
        def asked(limit)
          with_asks(@waiting.asked).select(*asked_columns).order(:due_at).limit(limit).all
        end

        # @return [Array<Hash>] open lines that wait for somebody else, one row for each person; the worst first
        def waits_for_others(limit)
          with_asks(@waiting.of_others)
            .select(*asked_columns, Sequel[:ask_lines][:id].as(:line_id), Sequel[:ask_people][:reminded_at])
            .order(:due_at, :asked_at, Sequel[:people][:name])
            .limit(limit * PEOPLE)
            .all
        end

        def tasks(limit) = @waiting.tasks.order(:due_at).limit(limit).all
        def for_nobody(limit) = lines(@waiting.for_nobody.order(:at).limit(limit))
        def to_ask(limit) = lines(@waiting.to_ask.order(:at).limit(limit))
        def came_back(limit) = lines(@waiting.came_back.order(:at).limit(limit))
        def opened(limit) = lines(@waiting.opened.order(:at).limit(limit))

        def can_release(limit)
          first =
            @scope.first_of_each(:posts, [Sequel[:posts][:at], Sequel[:posts][:id]], limit) do |one|
              Posts::Visible.narrow(@scope, one.where(Sequel[:posts][:stage] => "cleared"))
            end
          lines(first)
        end

        # The posts of these rows, as far as the reader may see them.
        # @param rows [Array<Hash>] with :workspace_id and :post_id
        def posts_of(rows)
          found = @scope.rows_at(:posts, rows.map { |row| row.values_at(:workspace_id, :post_id) })
          lines(Posts::Visible.narrow(@scope, found))
        end

        def names(person_ids) = @scope.db[:people].where(id: person_ids.uniq).select_hash(:id, :name)

        # What is being sent, then what is planned next.
        def next_out
          planned = Dispatch::Unsent.planned(@scope, @now, NEXT).map { |row| row.values_at(:workspace_id, :showing_id) }
          under_way = Dispatch::Unsent.under_way(@scope, NEXT, %w[sending unclear])
          live = { workspace_id: Sequel[:showings][:workspace_id], showing_id: Sequel[:showings][:id], ended_at: nil }
          showings(@scope.rows_at(:showings, under_way + planned))
            .join(:releases, live)
            .select(*showing_columns, Sequel[:releases][:at], Sequel[:showings][:state], :stage)
            .order(Sequel[:releases][:at])
            .limit(NEXT)
            .all
        end

        def by_hand(limit)
          showings(@waiting.by_hand)
            .select(*showing_columns, :claimed_by)
            .order(Sequel[:showings][:id])
            .limit(limit)
            .all
        end

        def trouble(limit)
          said = Sequel.function(:coalesce, Sequel.function(:nullif, :trouble, ""), :fault).as(:trouble)
          showings
            .where(stuck)
            .select(*showing_columns, said)
            .order(Sequel.desc(Sequel[:showings][:id]))
            .limit(limit)
            .all
        end

        # @return [Array<Hash>] channels with their conditions, those that the reader works on
        def channels
          Channels::Conditions
            .of(@scope, @now)
            .select do |row|
              limits = @scope.limits[row[:workspace_id]]
              limits.nil? || limits.include?(row[:id])
            end
        end

        # @param channels [Array<Hash>] rows
        # @return [Hash{String=>Integer}] channel id => posts that are still to go out there
        def planned_on(channels)
          return {} if channels.empty?

          @scope
            .rows_at(:adaptations, channels.map { |row| row.values_at(:workspace_id, :id) }, column: :channel_id)
            .where(removed_at: nil)
            .exclude(stage: "out")
            .group_and_count(:channel_id)
            .to_hash(:channel_id, :count)
        end

        # Guided set-ups that were left in the middle.
        def set_ups
          @scope.db[:workspaces].where(id: @scope.workspace_ids).exclude(setup_step: nil).order(:name).all
        end

        private

        def lines(posts) = Posts::Listed.lines(posts).all

        def of_all_clients(counts)
          counts.reduce({}) { |all, one| all.merge(one) { |_, a, b| a + b } }
        end

        # How many lines wait for others, and how many of them are late.
        def others
          all = Sequel.function(:count).*
          asks = { workspace_id: Sequel[:ask_lines][:workspace_id], id: Sequel[:ask_lines][:ask_id] }
          @waiting
            .lines_of_others
            .join(:asks, asks)
            .select(all.as(:waits_for_others), all.filter(Sequel[:asks][:due_at] < @now).as(:late_with_others))
            .first
        end

        def with_asks(lines)
          lines.join(:asks, workspace_id: Sequel[:ask_lines][:workspace_id], id: Sequel[:ask_lines][:ask_id]).join(
            :people,
            id: Sequel[:ask_people][:person_id]
          )
        end

        def asked_columns
          [
            Sequel[:ask_lines][:workspace_id],
            Sequel[:ask_lines][:post_id],
            Sequel[:ask_lines][:ask_id],
            Sequel[:ask_people][:person_id],
            Sequel[:people][:name].as(:person),
            :asked_by,
            :asked_at,
            :due_at,
            Sequel[:asks][:room]
          ]
        end

        def showings(found = @scope.rows(:showings))
          Posts::Visible
            .showings(@scope, found)
            .join(:posts, workspace_id: Sequel[:showings][:workspace_id], id: Sequel[:showings][:post_id])
            .join(:channels, workspace_id: Sequel[:showings][:workspace_id], id: Sequel[:showings][:channel_id])
        end

        def showing_columns
          [
            Sequel[:showings][:id].as(:showing_id),
            Sequel[:showings][:workspace_id],
            Sequel[:showings][:post_id],
            :subject,
            :network,
            :initials,
            Sequel[:channels][:name].as(:channel)
          ]
        end

        # What ended in trouble, and what could not be sent yet and is tried again.
        def stuck
          Sequel.|({ Sequel[:showings][:state] => "trouble" }, Sequel.~(Sequel[:showings][:fault] => ""))
        end
      end
    end
  end
end
