# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # A year at a glance, of one client or of all of a person's clients: how much goes out on which day, what is off,
      # what else is then, and which campaigns run.
      class Year
        # @param scope [Store::Scope] of the agency side
        # @param year [String] such as 2026
        # @param filter [Core::Plan::Filter]
        # @param everything [Boolean] also channels that the reader has switched off
        # @return [Hash] JSON-ready
        # @raise [Core::Invalid] bad_year, time_out_of_reach
        def self.call(environment, scope, year:, **narrowed)
          first = Core::Plan::Iso.year(year, environment.now, field: "year")
          scope.transaction { new(environment.now, scope, first..Date.new(first.year, 12, 31), **narrowed).call }
        end

        # @param days [Range<Date>] of the year
        def initialize(now, scope, days, filter: Core::Plan::Filter::NONE, everything: false)
          @now = now
          @scope = scope
          @days = days
          @filter = filter
          @everything = everything
        end

        def call
          {
            year: @days.first.year,
            today: today,
            days: days,
            off: off,
            clocks: Core::Plan::ClockChanges.between(zone, @days.first, @days.last).keys.map(&:iso8601),
            dates: Store::Plan::KeyDates.between(@scope, @days),
            campaigns: Store::Campaigns::Periods.between(@scope, @days)
          }
        end

        private

        def days
          posts = Store::Plan::Density.new(@scope, narrowed).between(@days)
          marks = marks_by_day
          (posts.keys | marks.keys).sort.map do |day|
            { date: day, posts: 0, open: 0, trouble: 0, **posts.fetch(day, {}), marks: marks.fetch(day, 0) }
          end
        end

        def marks_by_day
          own = Store::Plan::Marks.between(@scope, @days, @filter)
          taken = own.map { |mark| mark.values_at(:day, :channel_id) }
          all = own + Store::Plan::Fixtures.marks(@scope, @days, Date.iso8601(today), @filter, taken)
          all.map { |mark| mark[:day] }.tally
        end

        def today = Core::Plan::WallTime.at(@now, zone).local_date
        def narrowed = Store::Plan::Filtered.new(@scope, @filter, everything: @everything)
        def clients = @clients ||= Store::Plan::Days.clients(@scope)

        def zone
          @zone ||= clients.one? ? clients.first[:zone] : Store::Plan::Days.reader_zone(@scope)
        end

        # Over several clients those that all of them have: a day that one of sixty has off says nothing about the year.
        def off
          clients
            .map { |client| client[:holidays] }
            .uniq
            .map { |region| Core::Plan::DaysOff.between(region, @days.first, @days.last) }
            .reduce { |all, more| all.select { |day| more.any? { |one| one[:date] == day[:date] } } }
            .to_a
            .map { |day| { date: day[:date].iso8601, name: day[:name] } }
        end
      end
    end
  end
end
