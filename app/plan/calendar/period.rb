# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # A month or a week of one client, in its zone and by its weeks, or of all of a person's clients, in the reader's
      # zone: what goes out on which day, which days are off, when the clocks are changed, and what has no time yet.
      class Period
        TRAY = 30 # posts without a time that are shown
        AHEAD = [30, 60, 90].freeze # days

        # @param scope [Store::Scope] of the agency side
        # @param month [String] such as 2026-10
        # @param filter [Core::Plan::Filter]
        # @param everything [Boolean] also channels that the reader has switched off
        # @return [Hash] JSON-ready
        # @raise [Core::Invalid] bad_month, time_out_of_reach
        def self.month(environment, scope, month:, **narrowed)
          first = Core::Plan::Iso.month(month, environment.now, field: "month")
          inside = first..Date.new(first.year, first.month, -1)
          scope.transaction { new(environment.now, scope, month, inside, **narrowed).call }
        end

        # @param day [String] such as 2026-10-14: the week that has it
        # @return [Hash] JSON-ready
        # @raise [Core::Invalid] bad_date, time_out_of_reach
        def self.week(environment, scope, day:, **narrowed)
          date = Core::Plan::Iso.day(day, environment.now, field: "day")
          scope.transaction { new(environment.now, scope, day, date..date, **narrowed).call }
        end

        # @param from [String] such as 2026-10-14: the weeks from this day on
        # @param days [Integer] how many
        # @return [Hash] JSON-ready
        # @raise [Core::Invalid] bad_date, time_out_of_reach, bad_span
        def self.ahead(environment, scope, from:, days:, **narrowed)
          first = Core::Plan::Iso.day(from, environment.now, field: "from")
          raise bad_span unless AHEAD.include?(days)

          scope.transaction { new(environment.now, scope, from, first..(first + days - 1), **narrowed).call }
        end

        def self.bad_span
          Core::Invalid.new(
            "bad_span",
            "The plan looks #{AHEAD.join(", ")} days ahead.",
            field: "days",
            way_on: "Choose one of them."
          )
        end
        private_class_method :bad_span

        # @param name [String] what was asked for
        # @param inside [Range<Date>] days whose weeks are shown
        def initialize(now, scope, name, inside, filter: Core::Plan::Filter::NONE, everything: false)
          @now = now
          @scope = scope
          @name = name
          @inside = inside
          @filter = filter
          @narrowed = Store::Plan::Filtered.new(scope, filter, everything: everything)
          @clients = Store::Plan::Days.clients(scope)
          one = @clients.first if @clients.one?
          @zone = one ? one[:zone] : Store::Plan::Days.reader_zone(scope)
          @weeks = Core::Plan::Weeks.of(inside, one ? one[:week_start] : 1)
        end

        def call
          {
            period: @name,
            zone: @zone,
            now: @now.iso8601,
            today: today,
            weeks: @weeks.map { |week| { number: week.number, days: week.days.map { |day| day_json(day) } } },
            lines: lines,
            marks: marks,
            dates: Store::Plan::KeyDates.between(@scope, days.first..days.last),
            notes: notes,
            cut: rows.size >= Store::Plan::Days::MOST,
            tray: tray
          }
        end

        private

        def days = @days ||= @weeks.flat_map(&:days)

        def day_json(day)
          seconds = clock_changes[day]
          {
            date: day.iso8601,
            inside: @inside.one? || @inside.cover?(day),
            off: off.fetch(day, []),
            works: @clients.one? ? hours.works_on?(day) : day.wday.between?(1, 5),
            clock: seconds && clock(seconds)
          }
        end

        def clock(seconds)
          hours = (seconds.abs / 3_600r)
          amount = hours.denominator == 1 ? "#{hours.to_i} h" : "#{seconds.abs / 60} min"
          "clocks #{seconds.positive? ? "forward" : "back"} #{amount}"
        end

        def clock_changes = @clock_changes ||= Core::Plan::ClockChanges.between(@zone, days.first, days.last)
        def hours = @hours ||= Store::Clients::Hours.of(@clients.first)

        # @return [Hash{Date=>Array<Hash>}] day => holidays, each with the clients that have it
        def off
          @off ||=
            @clients
              .flat_map do |client|
                Core::Plan::DaysOff
                  .between(client[:holidays], days.first, days.last)
                  .map { |holiday| holiday.merge(workspace_id: client[:id]) }
              end
              .group_by { |holiday| holiday[:date] }
              .transform_values do |same|
                same
                  .group_by { |holiday| holiday[:name] }
                  .map { |name, of| { name: name, workspace_ids: of.map { |one| one[:workspace_id] } } }
              end
        end

        # A day has other instants in another zone: a little more is read, and what falls outside is left out.
        def rows
          @rows ||=
            Store::Plan::Days.of(
              @scope,
              Time.utc(days.first.year, days.first.month, days.first.day) - 86_400,
              Time.utc(days.last.year, days.last.month, days.last.day) + (2 * 86_400),
              @narrowed
            )
        end

        def lines
          span = days.first.iso8601..days.last.iso8601
          Lines
            .of(rows)
            .map { |line| [line.wall_in(@zone), line] }
            .select { |wall, _| span.cover?(wall[0, 10]) }
            .sort_by { |wall, line| [wall, line.post_id] }
            .map { |wall, line| line_json(line, wall) }
        end

        def line_json(line, wall)
          {
            workspace_id: line.workspace_id,
            post_id: line.post_id,
            subject: line.subject,
            stage: line.stage,
            strip: line.strip,
            wall: wall,
            time: line.value,
            late: late?(line, wall),
            channels: line.channels
          }
        end

        # Whether it is past its time and has not gone out. Most lines of a month are days away from now.
        def late?(line, wall)
          wall[0, 10] <= today && line.late?(@now)
        end

        # Those that were put, and those that fixtures put where nothing stands yet.
        def marks
          span = days.first..days.last
          own = Store::Plan::Marks.between(@scope, span, @filter)
          taken = own.map { |mark| mark.values_at(:day, :channel_id) }
          own + Store::Plan::Fixtures.marks(@scope, span, Date.iso8601(today), @filter, taken)
        end

        # Of one client, for the months that are shown: over several there would be many beside each other.
        def notes
          return [] unless @clients.one?

          months = @inside.map { |day| Date.new(day.year, day.month, 1) }.uniq
          Store::Plan::MonthNotes.between(@scope, months)
        end

        def today = @today ||= Core::Plan::WallTime.at(@now, @zone).local_date

        def tray
          posts = Store::Plan::Days.without_time(@scope, @narrowed)
          shown = Store::Posts::Listed.lines(posts.reverse(:id).limit(TRAY)).all
          count = shown.size < TRAY ? shown.size : posts.count
          { count: count, posts: shown.empty? ? [] : Posts::ListPosts.lines(@scope, shown) }
        end
      end
    end
  end
end
