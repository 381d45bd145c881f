# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # How what is planned between two days stands to the mix that is wanted of the client, and its pace.
      class Balance < Act
        reads :client, "see_campaign"

        AGAIN = 20 # posts that are named as such

        # @param from [String] ISO date, in the client's zone
        # @param to [String] inclusive
        # @return [Hash] JSON-ready
        # @raise [Core::Invalid] bad_date, too_many_days
        def call(from:, to:)
          listed = Plan::List.call(environment, scope, from: from, to: to, everything: true)[:rows]
          labels = Store::Campaigns::Facts.labels(scope)
          {
            mix: mix(listed, labels),
            pace: Core::Plan::Pace.new(times(listed), days(from, to)).channels.map { |one| pace(one) },
            limits: Store::Plan::Pace.of(scope).to_h,
            proposals:
              Proposals.new(
                environment,
                scope,
                listed,
                days(from, to),
                workspace,
                post_states: method(:post_states),
                mine: method(:mine)
              ).call,
            last: last_month
          }
        end

        private

        def mix(listed, labels)
          ids = labels.to_h { |label| label.values_at(:name, :id) }
          posts = listed.uniq { |one| one[:post_id] }.map { |one| one[:labels].filter_map { |name| ids[name] } }
          targets = Mix.targets(scope, nil)
          Mix.json(targets, labels, posts).merge(wanted: targets.any?)
        end

        # How often something went out in the month before this one, and what of it names no day, hour or price.
        def last_month
          zone = workspace[:zone]
          today = Date.iso8601(Core::Plan::WallTime.at(now, zone).local_date)
          first = Date.new(today.year, today.month, 1) << 1
          from, to = [first, first >> 1].map { |day| Core::Plan::WallTime.parse("#{day}T00:00", zone).at }
          rows = Store::Campaigns::WentOut.between(scope, from, to)
          again =
            rows
              .select { |row| Core::Checks::Timeless.names(row[:text].to_s).empty? }
              .group_by { |row| row[:channel_id] }
          counts = rows.group_by { |row| row[:channel_id] }.sort_by { |_, of| -of.size }
          {
            month: first.strftime("%Y-%m"),
            channels:
              counts.map { |id, of| { channel: channels.fetch(id), posts: of.size, again: again.fetch(id, []).size } },
            again:
              again.values.flatten.uniq { |row| row[:post_id] }.first(AGAIN).map { |row| row.slice(:post_id, :subject) }
          }
        end

        def days(from, to) = Date.iso8601(from)..Date.iso8601(to)

        def times(listed)
          listed.flat_map { |row| row[:channels].map { |channel| [channel["id"], row[:wall]] } }
        end

        def pace(one)
          channel = channels.fetch(one.channel)
          gap = one.gap && { from: one.gap.first.iso8601, to: one.gap.last.iso8601, days: one.gap.count }
          { channel: channel, posts: one.posts, a_week: one.a_week.to_f.round(1), gap: gap, close: one.close }
        end

        def channels
          @channels ||=
            rows(:channels)
              .select_hash(:id, %i[id network initials name])
              .transform_values { |row| %i[id network initials name].zip(row).to_h }
        end
      end
    end
  end
end
