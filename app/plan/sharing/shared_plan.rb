# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The coming weeks of a client's plan, as far as it was shared with them: no draft, no house talk, nothing that
      # they were not asked for.
      class SharedPlan
        BEHIND = 7 # days, so that what just went out is there

        # @param scope [Store::Scope] of the one client, unlimited
        # @param weeks [Integer] how many
        # @param marks [Boolean] whether pencil marks are shown
        # @param money [Boolean] whether boosts are shown
        # @return [Hash] JSON-ready
        def self.call(now, scope, weeks:, marks: false, money: false)
          scope.transaction { new(now, scope, weeks, marks, money).call }
        end

        def initialize(now, scope, weeks, marks, money)
          @now = now
          @scope = scope
          @client = scope.db[:workspaces].where(id: scope.workspace_ids).first
          @span = first..(first + (7 * weeks) + BEHIND - 1)
          @marks = marks
          @money = money
        end

        def call
          {
            client: @client.slice(:name, :initials, :edge),
            zone: @client[:zone],
            now: @now.iso8601,
            today: today.iso8601,
            weeks: weeks.map { |week| { number: week.number, days: week.days.map { |day| day_json(day) } } },
            posts: lines.map { |line| line_json(line) },
            marks: @marks ? marks : []
          }
        end

        private

        def today = @today ||= Date.iso8601(Core::Plan::WallTime.at(@now, @client[:zone]).local_date)
        def first = today - BEHIND
        def weeks = @weeks ||= Core::Plan::Weeks.of(@span, @client[:week_start])
        def days = weeks.first.days.first..weeks.last.days.last

        def day_json(day) = { date: day.iso8601, off: off[day] }

        def off
          @off ||=
            Core::Plan::DaysOff
              .between(@client[:holidays], days.first, days.last)
              .to_h { |one| one.values_at(:date, :name) }
        end

        def lines
          from = Time.utc(days.first.year, days.first.month, days.first.day) - 86_400
          to = Time.utc(days.last.year, days.last.month, days.last.day) + (2 * 86_400)
          rows = Store::Plan::Days.of(@scope, from, to, Store::Plan::Shared.new(@scope), money: @money)
          span = days.first.iso8601..days.last.iso8601
          Lines
            .of(rows)
            .select { |line| span.cover?(line.wall_in(@client[:zone])[0, 10]) }
            .sort_by { |line| [line.at, line.post_id] }
        end

        def line_json(line)
          {
            id: line.post_id,
            subject: line.subject,
            state: Core::Plan::SharedState.of(line.stage),
            strip: line.strip.select { |stamp| stamp["side"] == "client" },
            wall: line.wall_in(@client[:zone]),
            channels: line.channels.map { |channel| channel.slice("network", "initials", "name") },
            money: @money ? Core::Campaigns::Amounts.sums(line.channels.map { |channel| channel["money"] }) : []
          }
        end

        def marks
          none = Core::Plan::Filter::NONE
          own = Store::Plan::Marks.between(@scope, days, none)
          taken = own.map { |mark| mark.values_at(:day, :channel_id) }
          (own + Store::Plan::Fixtures.marks(@scope, days, today, none, taken)).map do |mark|
            mark.slice(:day, :clock, :word, :network, :initials).merge(name: mark[:channel])
          end
        end
      end
    end
  end
end
