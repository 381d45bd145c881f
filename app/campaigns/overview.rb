# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # A campaign with all that is known of it: its plan, its posts by stage, label and channel, its money, its weeks,
      # and what is missing until it can start.
      class Overview < Act
        reads :campaign, "see_campaign"

        READY = Core::Campaigns::Missing::READY

        # @param campaign_id [String]
        # @return [Hash] JSON-ready
        def call(campaign_id:)
          {
            **plan,
            channels: channels,
            people: beside[:people],
            files: files,
            mix: mix,
            post_ids: posts.reject { |post| post["stage"] == "out" }.map { |post| post["id"] },
            stages: posts.map { |post| post["stage"] }.tally,
            by_channel: by_channel,
            money: money,
            weeks: weeks,
            dates: dates,
            missing: missing.map(&:to_h),
            can: can
          }
        end

        private

        def plan
          {
            **row.slice(:id, :workspace_id, :name, :version, :goal, :brief),
            first: row[:first_day]&.iso8601,
            last: row[:last_day]&.iso8601,
            budget: budget,
            currency: workspace[:currency],
            route: route,
            today: Core::Plan::WallTime.at(now, workspace[:zone]).local_date
          }
        end

        def route
          found = rows(:routes).where(row[:route_id] ? { id: row[:route_id] } : { is_default: true }).first
          { id: row[:route_id], name: found ? found[:name] : "" }
        end

        def budget = row[:budget] && { minor: row[:budget], currency: row[:currency] }
        def days = row[:first_day] && (row[:first_day]..row[:last_day])
        def beside = @beside ||= Store::Campaigns::Facts.beside(scope, row[:id])

        # A member who is limited to channels sees these.
        def channels
          @channels ||=
            beside[:channels].select { |one| member.limited_to.nil? || member.limited_to.include?(one[:id]) }
        end

        def posts
          @posts ||= Store::Plan::Days.of_posts(scope, money: true, campaign_id: row[:id])
        end

        def files
          rows(:brand_files)
            .where(campaign_id: row[:id], removed_at: nil)
            .reverse(:added_at)
            .select(:id, :name, :bytes, :added_by)
            .map { |file| file.slice(:id, :name, :bytes).merge(by: names[file[:added_by]]) }
        end

        def targets = @targets ||= Mix.targets(scope, row[:id])
        def lines = @lines ||= Plan::Lines.of(posts)
        def channels_of(post) = post["channels"].to_a

        def mix
          labelled = beside[:labelled].to_h { |one| one.values_at(:post_id, :ids) }
          of_posts = posts.map { |post| labelled.fetch(post["id"], []) }
          Mix.json(targets, Store::Campaigns::Facts.labels(scope), of_posts).merge(wanted: targets.any?)
        end

        # On its channels, and on those where its posts go out beside them.
        def by_channel
          counts = posts.flat_map { |post| channels_of(post).map { |one| one["channel"].except("money") } }
          own = channels.map { |one| one.slice(:id, :network, :initials, :name).transform_keys(&:to_s) }
          (own | counts.uniq).map do |channel|
            { **channel.transform_keys(&:to_sym), posts: counts.count(channel), own: own.include?(channel) }
          end
        end

        # Planned: of all its posts; agreed: where every yes is there; spent: where it is out.
        def money
          all = posts.flat_map { |post| channels_of(post) }
          {
            planned: sums(all),
            agreed: sums(all.select { |one| READY.include?(one["stage"]) }),
            spent: sums(all.select { |one| one["stage"] == "out" })
          }
        end

        def sums(channels) = Core::Campaigns::Amounts.sums(channels.map { |one| one["channel"]["money"] })

        # How many posts go out in each of its weeks, and how many of them wait for a yes.
        def weeks
          return [] unless days

          start = workspace[:week_start]
          Core::Plan::Weeks
            .of(days, start)
            .map do |week|
              span = week.days.first.iso8601..week.days.last.iso8601
              inside = lines.select { |line| span.cover?(line.value["wall"][0, 10]) }
              open = inside.reject { |line| READY.include?(line.stage) }
              { number: week.number, first: week.days.first.iso8601, posts: inside.size, open: open.size }
            end
        end

        def dates = days ? Store::Plan::KeyDates.between(scope, days) : []

        def missing
          Core::Campaigns::Missing.of(
            Core::Campaigns::Missing::Facts.new(
              days: days,
              goal: row[:goal] != "",
              brief: row[:brief] != "",
              channels: channels,
              channel_ids: beside[:channels].map { |one| one[:id] },
              people: beside[:people].size,
              mix: targets.any?,
              budget: budget,
              planned: money[:planned],
              posts: posts.map { |post| fact(post) }
            )
          )
        end

        def fact(post)
          @first ||=
            lines.group_by(&:post_id).transform_values { |own| own.map { |line| line.value["wall"] }.min[0, 10] }
          {
            day: @first[post["id"]],
            stage: post["stage"],
            channel_ids: channels_of(post).map { |one| one["channel"]["id"] }
          }
        end

        def can
          nothing = Core::Permissions::Touched::NOTHING
          %w[plan_campaign choose_campaign_route ask].to_h do |act|
            [act.to_sym, Permissions::Capabilities.one(member, act, colleagues, nothing)]
          end
        end
      end
    end
  end
end
