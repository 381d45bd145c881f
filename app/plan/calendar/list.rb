# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The plan as a list: what goes out between two days, with what stands beside it.
      class List
        MOST = 400 # days

        # @param from [String] ISO date, by the clock of each client
        # @param to [String] inclusive
        # @param filter [Core::Plan::Filter]
        # @param everything [Boolean] also channels that the reader has switched off
        # @return [Hash] {rows:, cut:}, JSON-ready; rows by day and time
        # @raise [Core::Invalid] bad_date, too_many_days
        def self.call(environment, scope, from:, to:, filter: Core::Plan::Filter::NONE, everything: false)
          first = Core::Plan::Iso.day(from, environment.now, field: "from")
          last = Core::Plan::Iso.day(to, environment.now, field: "to")
          raise too_many unless (first..last).count.between?(1, MOST)

          narrowed = Store::Plan::Filtered.new(scope, filter, everything: everything)
          scope.transaction { new(environment.now, scope, first..last, narrowed).call }
        end

        def self.too_many
          Core::TooMany.new(
            "A list has between one day and #{MOST}, the first before the last.",
            of: "days",
            field: "to",
            way_on: "Take a year at a time."
          )
        end
        private_class_method :too_many

        # @param days [Range<Date>]
        def initialize(now, scope, days, narrowed)
          @now = now
          @scope = scope
          @days = days
          @narrowed = narrowed
        end

        def call
          beside = Store::Plan::Beside.of(@scope, lines.map { |line| [line.workspace_id, line.post_id] })
          {
            rows: lines.map { |line| row(line, beside.fetch(line.post_id)) },
            cut: posts.size >= Store::Plan::Days::MOST
          }
        end

        private

        def posts
          @posts ||=
            Store::Plan::Days.of(
              @scope,
              utc(@days.first) - 86_400,
              utc(@days.last) + (2 * 86_400),
              @narrowed,
              money: true
            )
        end

        def lines
          span = @days.first.iso8601..@days.last.iso8601
          @lines ||=
            Lines
              .of(posts)
              .select { |line| span.cover?(line.value["wall"][0, 10]) }
              .sort_by { |line| [line.value["wall"], line.post_id] }
        end

        def utc(day) = Time.utc(day.year, day.month, day.day)

        def row(line, beside)
          {
            workspace_id: line.workspace_id,
            post_id: line.post_id,
            subject: line.subject,
            subject_version: beside[:subject_version],
            stage: line.stage,
            strip: line.strip,
            wall: line.value["wall"][0, 16],
            zone: line.value["zone"],
            time: line.value,
            late: line.late?(@now),
            channels: line.channels.map { |channel| channel.except("money") },
            labels: beside[:labels],
            campaign: beside[:campaign],
            owner: {
              id: beside[:owner_id],
              name: beside[:owner]
            },
            money: Core::Campaigns::Amounts.sums(line.channels.map { |channel| channel["money"] })
          }
        end
      end
    end
  end
end
