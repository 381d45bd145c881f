# frozen_string_literal: true

module AskFirst
  module Store
    module Plan
      # How much goes out on which day. At the size of a year each post counts on the day that it has by the clock of
      # its own time: a Thursday evening in Denver is a Thursday, whoever looks.
      class Density
        OPEN = (Core::Signoff::Stages::NAMES - %w[cleared released out trouble held]).freeze
        LOUD = %w[trouble held].freeze
        DAY = Sequel.lit("left(time ->> 'wall', 10)")
        COUNTS = [
          Sequel.function(:count).*.as(:posts),
          Sequel.lit("count(*) FILTER (WHERE open)").as(:open),
          Sequel.lit("count(*) FILTER (WHERE loud)").as(:trouble)
        ].freeze
        private_constant :DAY, :COUNTS

        # @param scope [Scope]
        # @param narrowed [Filtered]
        def initialize(scope, narrowed)
          @scope = scope
          @narrowed = narrowed
        end

        # @param days [Range<Date>]
        # @return [Hash{String=>Hash}] day => {posts:, open:, trouble:}; a post that goes out at several times counts at
        #   each of them
        def between(days)
          span = days.first.iso8601..days.last.iso8601
          @scope
            .db
            .from(times(days).as(:times))
            .where(DAY => span)
            .group(:day)
            .select(DAY.as(:day), *COUNTS)
            .to_h { |row| [row.delete(:day), row] }
        end

        private

        # One row for each time at which something of a post goes out.
        def times(days)
          posts = inside(days)
          on_channels(posts).union(bare(posts), all: true, from_self: false)
        end

        def inside(days)
          from = Time.utc(days.first.year, days.first.month, days.first.day) - 86_400
          to = Time.utc(days.last.year, days.last.month, days.last.day) + (2 * 86_400)
          key = [Sequel[:posts][:workspace_id], Sequel[:posts][:id]]
          visible = Posts::Visible.narrow(@scope, @scope.db[:posts]) # see Days.of
          @narrowed.posts(visible).where(key => Days.found(@scope, from, to))
        end

        def on_channels(posts)
          shown = @narrowed.adaptations(Days.seen(@scope))
          shown =
            shown.left_join(Sequel[:parts].as(:own), of_post(Sequel[:adaptations][:channel_id])).left_join(
              Sequel[:parts].as(:master),
              of_post(nil)
            )
          lines = shown.select(Sequel.lit("coalesce(own.value, master.value)").as(:time), Sequel[:adaptations][:stage])
          grouped =
            posts.cross_join(lines.lateral.as(:on)).group(
              Sequel[:posts][:workspace_id],
              Sequel[:posts][:id],
              Sequel.lit("\"on\".time")
            )
          grouped.select(Sequel.lit("\"on\".time"), any(OPEN).as(:open), any(LOUD).as(:loud))
        end

        # What is on no channel yet stands at its own time.
        def bare(posts)
          posts
            .where(~Days.seen(@scope).select(1).exists)
            .where(@narrowed.shown(Days.seen(@scope)))
            .select(
              Days.master(@scope).as(:time),
              Sequel.as({ Sequel[:posts][:stage] => OPEN }, :open),
              Sequel.as({ Sequel[:posts][:stage] => LOUD }, :loud)
            )
        end

        def any(stages) = Sequel.function(:bool_or, Sequel.lit("\"on\".stage IN ?", stages))

        def of_post(channel)
          {
            workspace_id: Sequel[:adaptations][:workspace_id],
            post_id: Sequel[:adaptations][:post_id],
            channel_id: channel,
            part: "time"
          }
        end
      end
    end
  end
end
