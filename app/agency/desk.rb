# frozen_string_literal: true

module AskFirst
  module App
    module Agency
      # What waits for me, what waits for others and for how long, what can be released, what goes next, what is in
      # trouble. One set of queries over all of the person's workspaces.
      class Desk
        SHOWN = 30
        WHOLE = 500 # of a list that was asked for whole
        LISTS = %w[asked tasks for_nobody to_ask came_back opened by_hand waits_for_others can_release trouble].freeze

        # @param scope [Store::Scope] over one or many workspaces of the agency side
        # @param whole [Array<String>] of LISTS, those that are shown whole
        # @return [Hash] JSON-ready
        def self.call(environment, scope, whole: [])
          scope.transaction { new(environment, scope, whole).call }
        end

        def initialize(environment, scope, whole)
          @now = environment.now
          @scope = scope
          @whole = whole
          @rows = Store::Agency::DeskRows.new(scope, @now)
        end

        def call
          {
            now: @now.iso8601,
            counts: counts,
            asked: asked.filter_map { |row| line(row) },
            tasks: tasks.map { |row| task(row) },
            for_nobody: own_posts(:for_nobody),
            to_ask: own_posts(:to_ask),
            came_back: own_posts(:came_back),
            opened: own_posts(:opened),
            waits_for_others: others,
            can_release: own_posts(:can_release),
            by_hand: by_hand,
            next_out: @rows.next_out.map { |row| row.merge(at: row[:at].iso8601) },
            trouble: listed(:trouble),
            connections: connections,
            set_ups: @rows.set_ups.map { |row| { workspace_id: row[:id], name: row[:name], step: row[:setup_step] } }
          }
        end

        private

        def limit(list)
          @whole.include?(list.to_s) ? WHOLE : SHOWN
        end

        def counts = @counts ||= @rows.counts

        # A list of which there is nothing is not asked for: most of them are empty on most days.
        def listed(list) = counts.fetch(list).zero? ? [] : @rows.public_send(list, limit(list))

        def asked = @asked ||= listed(:asked)
        def tasks = @tasks ||= listed(:tasks)

        # Lines that wait for the same people stand together: any one of them can answer.
        def asked_of_others
          @asked_of_others ||=
            listed(:waits_for_others)
              .group_by { |row| row[:line_id] }
              .values
              .map do |same|
                same.first.merge(
                  person: same.map { |row| row[:person] }.join(" or "),
                  reminded_at: same.filter_map { |row| row[:reminded_at] }.max
                )
              end
        end

        def own = @own ||= %i[for_nobody to_ask came_back opened can_release].to_h { |list| [list, listed(list)] }
        def own_posts(list) = own.fetch(list).map { |row| lines.fetch(row[:id]) }

        # The posts behind lines and tasks.
        def posts_beside
          @posts_beside ||= @rows.posts_of(asked + asked_of_others + tasks).to_h { |row| [row[:id], row] }
        end

        # Every post that the Desk shows as a line, once, whichever lists it stands in.
        def lines
          @lines ||=
            begin
              asked_about = posts_beside.values_at(*(asked + asked_of_others).map { |row| row[:post_id] }).compact
              shown = (own.values.flatten + asked_about).uniq { |row| row[:id] }
              Posts::ListPosts.lines(@scope, shown).to_h { |post| [post[:id], post] }
            end
        end

        def others
          asked_of_others
            .group_by { |row| row.values_at(:workspace_id, :person) }
            .filter_map do |(workspace_id, person), rows|
              group = rows.filter_map { |row| line(row) }
              next if group.empty?

              {
                workspace_id: workspace_id,
                person: person,
                side: group.first[:room] == "client" ? "client" : "internal",
                open: group.size,
                since: group.map { |one| one[:asked_at] }.min,
                reminded_at: rows.filter_map { |row| row[:reminded_at] }.max&.iso8601,
                asks: rows.map { |row| row[:ask_id] }.uniq,
                lines: group
              }
            end
        end

        def line(row)
          post = lines[row[:post_id]] or return
          {
            workspace_id: row[:workspace_id],
            person: row[:person],
            room: row[:room],
            asked_by: askers[row[:asked_by]],
            asked_at: row[:asked_at].iso8601,
            due_at: row[:due_at].iso8601,
            late: row[:due_at] < @now,
            post: post
          }
        end

        def askers
          @askers ||= @rows.names((asked + asked_of_others).map { |row| row[:asked_by] })
        end

        def task(row)
          {
            id: row[:id],
            workspace_id: row[:workspace_id],
            post_id: row[:post_id],
            subject: posts_beside.dig(row[:post_id], :subject),
            title: row[:title],
            kind: row[:kind],
            due_at: row[:due_at].iso8601,
            late: row[:due_at] < @now
          }
        end

        def by_hand
          listed(:by_hand).map { |row| row.except(:claimed_by).merge(state: row[:claimed_by] ? "taken_up" : "by_hand") }
        end

        # Connections that have lapsed or soon will, or whose person has left, with what is planned there.
        def connections
          loud =
            @rows
              .channels
              .select { |row| row[:condition].loud? }
              .sort_by { |row| row[:condition].level == "lapsed" ? 0 : 1 }
              .first(SHOWN)
          planned = @rows.planned_on(loud)
          loud.map do |row|
            row.slice(:workspace_id, :name, :network, :initials).merge(
              channel_id: row[:id],
              level: row[:condition].level,
              sentence: row[:condition].sentence,
              planned: planned.fetch(row[:id], 0)
            )
          end
        end
      end
    end
  end
end
