# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # What waits for me, what waits for others and for how long, what can be released, what goes next, what is in
      # trouble.
      # One set of queries over all of the person's workspaces.
      class Desk
        SHOWN = 30
        WHOLE = 500 # of a list that was asked for whole
        NEXT = 8
        PEOPLE = 4 # who are asked for one line together, mostly fewer
        LISTS = %w[asked tasks came_back opened by_hand waits_for_others can_release trouble].freeze

        # @param scope [Store::Scope] over one or many workspaces of the agency side
        # @param whole [Array<String>] of LISTS, those that are shown whole
        # @return [Hash] JSON-ready
        def self.call(kit, scope, whole: [])
          scope.transaction { new(kit, scope, whole).call }
        end

        def initialize(kit, scope, whole)
          @kit = kit
          @scope = scope
          @whole = whole
          @waiting = Store::Agency::Waiting.new(scope)
        end

        def call
          {
            now: @kit.now.iso8601,
            counts: counts,
            asked: to_answer,
            tasks: tasks,
            came_back: posts(:came_back),
            opened: posts(:opened),
            waits_for_others: others,
            can_release: cleared,
            by_hand: by_hand,
            next_out: next_out,
            trouble: trouble,
            connections: connections,
            set_ups: set_ups
          }
        end

        private

        # How many there are of each, whatever is shown of them.
        def counts
          mine =
            (
              if @scope.workspace_ids.empty?
                {}
              else
                @waiting.counts.values.reduce({}) { |all, one| all.merge(one) { |_, a, b| a + b } }
              end
            )
          lines =
            @waiting.of_others.join(
              :asks,
              workspace_id: Sequel[:ask_lines][:workspace_id],
              id: Sequel[:ask_lines][:ask_id]
            )
          distinct = Sequel.function(:count, Sequel[:ask_lines][:id]).distinct
          open, past = lines.get([distinct.as(:open), distinct.filter(Sequel[:asks][:due_at] < @kit.now).as(:past)])
          Store::Agency::Waiting::TABLES
            .keys
            .to_h { |kind| [kind, mine.fetch(kind, 0)] }
            .merge(
              waits_for_others: open,
              late_with_others: past,
              can_release: @waiting.posts.where(stage: "cleared").count,
              trouble: showings.where(stuck).count
            )
        end

        def limit(list)
          @whole.include?(list.to_s) ? WHOLE : SHOWN
        end

        # The posts of these rows, as far as the reader may see them.
        def seen(rows)
          Store::Posts::Visible.narrow(
            @scope,
            @scope.rows_at(:posts, rows.map { |row| row.values_at(:workspace_id, :post_id) })
          )
        end

        def posts(list)
          Posts::ListPosts.with_channels(@scope, @waiting.public_send(list).order(:at).limit(limit(list)).all)
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
            Sequel[:ask_people][:person_id],
            Sequel[:people][:name].as(:person),
            :asked_by,
            :asked_at,
            :due_at,
            Sequel[:asks][:room]
          ]
        end

        def to_answer
          rows = with_asks(@waiting.asked).select(*asked_columns).order(:due_at).limit(limit(:asked)).all
          with_posts(rows)
        end

        # Lines that wait for the same people stand together: any one of them can answer.
        def others
          rows =
            with_asks(@waiting.of_others)
              .select(*asked_columns, Sequel[:ask_lines][:id].as(:line_id))
              .order(:asked_at, Sequel[:people][:name])
              .limit(limit(:waits_for_others) * PEOPLE)
              .all
          lines =
            rows
              .group_by { |row| row[:line_id] }
              .values
              .map { |same| same.first.merge(person: same.map { |row| row[:person] }.join(" or ")) }
          with_posts(lines)
            .group_by { |line| [line[:workspace_id], line[:person]] }
            .map do |(workspace_id, person), group|
              {
                workspace_id: workspace_id,
                person: person,
                side: group.first[:room] == "client" ? "client" : "internal",
                open: group.size,
                since: group.map { |line| line[:asked_at] }.min,
                lines: group
              }
            end
        end

        def with_posts(rows)
          found = Posts::ListPosts.with_channels(@scope, seen(rows).all).to_h { |post| [post[:id], post] }
          askers = @kit.db[:people].where(id: rows.map { |row| row[:asked_by] }).select_hash(:id, :name)
          rows.filter_map do |row|
            post = found[row[:post_id]] or next
            {
              workspace_id: row[:workspace_id],
              person: row[:person],
              room: row[:room],
              asked_by: askers[row[:asked_by]],
              asked_at: row[:asked_at].iso8601,
              due_at: row[:due_at].iso8601,
              late: row[:due_at] < @kit.now,
              post: post
            }
          end
        end

        def tasks
          rows = @waiting.tasks.order(:due_at).limit(limit(:tasks)).all
          subjects = seen(rows).select_hash(:id, :subject)
          rows.map do |row|
            {
              id: row[:id],
              workspace_id: row[:workspace_id],
              post_id: row[:post_id],
              subject: subjects[row[:post_id]],
              title: row[:title],
              kind: row[:kind],
              due_at: row[:due_at].iso8601,
              late: row[:due_at] < @kit.now
            }
          end
        end

        def cleared
          rows =
            @scope.first_of_each(:posts, [Sequel[:posts][:at], Sequel[:posts][:id]], limit(:can_release)) do |one|
              Store::Posts::Visible.narrow(@scope, one.where(Sequel[:posts][:stage] => "cleared"))
            end
          Posts::ListPosts.with_channels(@scope, rows.all)
        end

        def showings(found = @scope.rows(:showings))
          Store::Posts::Visible
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

        def planned
          @planned ||= Store::Dispatch::Unsent.planned(@scope, @kit.now, NEXT).all
        end

        def under_way
          Store::Dispatch::Unsent.under_way(@scope, NEXT, %w[sending unclear])
        end

        def next_out
          found = under_way + planned.map { |row| row.values_at(:workspace_id, :showing_id) }
          rows =
            showings(@scope.rows_at(:showings, found))
              .join(
                :releases,
                workspace_id: Sequel[:showings][:workspace_id],
                showing_id: Sequel[:showings][:id],
                ended_at: nil
              )
              .select(*showing_columns, Sequel[:releases][:at], Sequel[:showings][:state], :stage)
              .order(Sequel[:releases][:at])
              .limit(NEXT)
              .all
          rows.map { |row| row.merge(at: row[:at].iso8601) }
        end

        def by_hand
          rows =
            showings(@waiting.by_hand)
              .select(*showing_columns, :claimed_by)
              .order(Sequel[:showings][:id])
              .limit(limit(:by_hand))
              .all
          rows.map { |row| row.except(:claimed_by).merge(state: row[:claimed_by] ? "taken_up" : "by_hand") }
        end

        # What ended in trouble, and what could not be sent yet and is tried again.
        def stuck
          Sequel.|({ Sequel[:showings][:state] => "trouble" }, Sequel.~(Sequel[:showings][:fault] => ""))
        end

        def trouble
          said = Sequel.function(:coalesce, Sequel.function(:nullif, :trouble, ""), :fault).as(:trouble)
          showings
            .where(stuck)
            .select(*showing_columns, said)
            .order(Sequel.desc(Sequel[:showings][:id]))
            .limit(limit(:trouble))
            .all
        end

        # Connections that have lapsed or soon will, or whose person has left, with what is planned there.
        def connections
          loud =
            Store::Channels::Conditions
              .of(@scope, @kit.now)
              .select { |row| row[:condition].loud? && on_my_channels?(row) }
          loud = loud.sort_by { |row| row[:condition].level == "lapsed" ? 0 : 1 }.first(SHOWN)
          planned =
            @scope
              .rows(:adaptations)
              .where(channel_id: loud.map { |row| row[:id] }, removed_at: nil)
              .exclude(stage: "out")
              .group_and_count(:channel_id)
              .to_hash(:channel_id, :count)
          loud.map do |row|
            row.slice(:workspace_id, :name, :network, :initials).merge(
              channel_id: row[:id],
              level: row[:condition].level,
              sentence: row[:condition].sentence,
              planned: planned.fetch(row[:id], 0)
            )
          end
        end

        def on_my_channels?(channel)
          mine = @scope.limits[channel[:workspace_id]]
          mine.nil? || mine.include?(channel[:id])
        end

        # Guided set-ups that were left in the middle.
        def set_ups
          @kit.db[:workspaces]
            .where(id: @scope.workspace_ids)
            .exclude(setup_step: nil)
            .order(:name)
            .map { |row| { workspace_id: row[:id], name: row[:name], step: row[:setup_step] } }
        end
      end
    end
  end
end
