# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The days of a client, for whoever chooses a time: which are days off and why, which nobody works on, and what
      # goes out when.
      class Days < Act
        reads :client, "see_post"
        MOST = 62 # days in one look: two months
        CHANNEL = %w[network initials name].freeze

        # @param from [String] ISO date, in the client's zone
        # @param to [String] inclusive
        # @return [Hash] days, each {date:, off:, works:, posts: [{id:, subject:, stage:, wall:, channels:}]}, and the
        #   day on which the client's weeks start
        def call(from:, to:)
          first = Core::Plan::Iso.day(from, now, field: "from")
          last = Core::Plan::Iso.day(to, now, field: "to")
          raise too_many unless (first..last).count.between?(1, MOST)

          holidays =
            Core::Plan::DaysOff.between(workspace[:holidays], first, last).to_h { |day| day.values_at(:date, :name) }
          planned = planned(first, last)
          days = (first..last).map { |day| day_json(day, holidays[day], planned.fetch(day.iso8601, [])) }
          { days: days, week_starts: workspace[:week_start] }
        end

        private

        def day_json(day, holiday, posts)
          { date: day.iso8601, off: holiday, works: hours.works_on?(day), posts: posts }
        end

        def hours = @hours ||= Store::Clients::Hours.of(workspace)

        # A day has other instants in another zone: a little more is read and sorted by the wall.
        def planned(first, last)
          from = Time.utc(first.year, first.month, first.day) - 86_400
          to = Time.utc(last.year, last.month, last.day) + (2 * 86_400)
          Lines
            .of(Store::Plan::Days.of(scope, from, to))
            .sort_by { |line| [line.at, line.post_id] }
            .map { |line| line_json(line) }
            .group_by { |line| line[:wall][0, 10] }
        end

        def line_json(line)
          {
            id: line.post_id,
            subject: line.subject,
            stage: line.stage,
            wall: line.wall_in(workspace[:zone]),
            channels: line.channels.map { |channel| channel.slice(*CHANNEL) }
          }
        end

        def too_many
          Core::TooMany.new(
            "Between one day and #{MOST} can be looked at, the first before the last.",
            of: "days",
            field: "to",
            way_on: "Look at two months at a time."
          )
        end
      end
    end
  end
end
