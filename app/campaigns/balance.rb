# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # How what is planned between two days stands to the mix that is wanted of the client, and its pace.
      class Balance < Act
        opens :client, "see_campaign"

        # @param from [String] ISO date, in the client's zone
        # @param to [String] inclusive
        # @return [Hash] JSON-ready
        # @raise [Core::Invalid] bad_date, too_many_days
        def call(from:, to:)
          listed = Plan::List.call(kit, scope, from: from, to: to, everything: true)[:rows]
          labels = Store::Campaigns::Facts.labels(scope)
          {
            mix: mix(listed, labels),
            pace: Core::Plan::Pace.new(times(listed), days(from, to)).channels.map { |one| pace(one) }
          }
        end

        private

        def mix(listed, labels)
          ids = labels.to_h { |label| label.values_at(:name, :id) }
          posts = listed.uniq { |one| one[:post_id] }.map { |one| one[:labels].filter_map { |name| ids[name] } }
          targets = Mix.targets(scope, nil)
          Mix.json(targets, labels, posts).merge(wanted: targets.any?)
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
