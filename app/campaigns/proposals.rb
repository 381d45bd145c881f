# frozen_string_literal: true

module AskFirst
  module App
    module Campaigns
      # What would bring a client's channels to their pace between two days, each as one step that can be looked at and
      # taken: a post moved, a place kept, the channels of a post spread out.
      class Proposals
        LOOKED_AT = 20 # posts whose words are compared

        # @param listed [Array<Hash>] rows of Plan::List
        # @param days [Range<Date>]
        # @param workspace [Hash] row
        # @param post_states [#call] ids of posts => their states
        # @param mine [#call] adaptations => those that the reader sees
        def initialize(environment, scope, listed, days, workspace, post_states:, mine:)
          @environment = environment
          @mine = mine
          @post_states = post_states
          @scope = scope
          @listed = listed
          @days = days
          @workspace = workspace
        end

        # @return [Array<Hash>] JSON-ready
        def call
          found = by_channel.flat_map { |channel, rows| paced(channel, rows) }
          # a post on several channels moves with all of them, once
          found = found.uniq { |one| one[:post_id] ? one.values_at(:post_id, :from) : one }
          found + of_words(found.filter_map { |one| one[:post_id] })
        end

        private

        attr_reader :scope

        def now = @now ||= @environment.now
        def today = @today ||= Date.iso8601(Core::Plan::WallTime.at(now, @workspace[:zone]).local_date)
        def limits = @limits ||= Store::Plan::Pace.of(scope)
        def hours = @hours ||= Store::Clients::Hours.of(@workspace)

        # Every channel that is not archived, those without a post too.
        def by_channel
          open =
            scope
              .rows(:channels)
              .where(archived_at: nil, id: seen)
              .order(:position)
              .select(:id, :network, :initials, :name)
          rows = @listed.flat_map { |row| row[:channels].map { |channel| [channel["id"], row] } }.group_by(&:first)
          open.all.to_h { |channel| [channel, rows.fetch(channel[:id], []).map(&:last)] }
        end

        def seen = scope.limits[@workspace[:id]] || scope.rows(:channels).select(:id)

        def paced(channel, rows)
          known = rows.to_h { |row| [row[:post_id], row] }
          entries =
            rows.map { |row| Core::Plan::Pacing::Entry.new(post_id: row[:post_id], wall: row[:wall], free: free?(row)) }
          Core::Plan::Pacing
            .new(
              entries,
              kept: kept(channel[:id]),
              days: @days,
              today: today,
              limits: limits,
              works: hours.method(:works_on?)
            )
            .proposals
            .map { |one| json(one, channel, known[one.post_id]) }
        end

        # What has no yes yet and no ask costs nothing when it moves.
        def free?(row)
          %w[drafting changes_wanted].include?(row[:stage]) && row[:wall][0, 10] >= today.iso8601
        end

        def kept(channel_id)
          @kept ||= marks.group_by { |mark| mark[:channel_id] }
          @kept.fetch(channel_id, []).map { |mark| Date.iso8601(mark[:day].to_s) }
        end

        def marks
          none = Core::Plan::Filter::NONE
          own = Store::Plan::Marks.between(scope, @days, none)
          own +
            Store::Plan::Fixtures.marks(scope, @days, today, none, own.map { |mark| mark.values_at(:day, :channel_id) })
        end

        def json(one, channel, row)
          moved = row && row[:time].merge("wall" => one.to.is_a?(String) ? "#{one.to}:00" : one.to.to_s)
          {
            kind: one.kind.to_s,
            channel: channel,
            post_id: one.post_id,
            subject: row && row[:subject],
            channels: row ? row[:channels].map { |other| other["id"] } : [channel[:id]],
            from: row && row[:time],
            to: moved,
            day: row ? nil : one.to.iso8601,
            times: []
          }
        end

        # Posts that would say the same on several channels at once, each with times of their own; and those that would
        # say again what was said a short time ago, on a later day.
        def of_words(moving)
          rows = @listed.select { |row| free?(row) && !moving.include?(row[:post_id]) }.first(LOOKED_AT)
          posts = @post_states.call(rows.map { |row| row[:post_id] }.uniq)
          around = words_around(posts.values.first)
          posts.values.flat_map do |post|
            own = rows.select { |row| row[:post_id] == post.id }
            seen = Posts::SeenAround.new(scope, post, @mine.call(post.adaptations), @workspace, among: around)
            [flooding(post, own.first, seen.spread), repeated(post, own, seen)].compact
          end
        end

        # Read once for all of them, with what a post could be repeating before and after.
        # @param post [Store::Posts::PostState::Post, nil] any of them
        def words_around(post)
          return [] unless post

          first, last = [@days.first, @days.last].map { |day| Time.utc(day.year, day.month, day.day) }
          span = Core::Checks::Neighbours::REPEAT + ((Core::Checks::Rested::REACH + 1) * 86_400)
          Store::Checks::PlannedWords.between(scope, post.channel_names, first - span, last + span)
        end

        # What goes out at several times is mended at the post.
        def repeated(post, own, seen)
          later = (rested(own.first, seen) if own.one? && own.first[:channels].size == post.adaptations.size) or return

          row = own.first.merge(post_id: post.id)
          moved = Core::Plan::Pacing::Proposal.new(kind: :repeat, post_id: post.id, to: later)
          json(moved, row[:channels].first, row)
        end

        def rested(row, seen)
          later = seen.rested(Core::Plan::WallTime.stored(row[:time]), hours.method(:works_on?))
          later&.wall&.strftime("%Y-%m-%dT%H:%M")
        end

        def flooding(post, row, times)
          return if times.empty?

          {
            kind: "flood",
            channel: row[:channels].find { |one| one["id"] == times.first[:channel_id] },
            post_id: post.id,
            subject: row[:subject],
            channels: times.map { |one| one[:channel_id] },
            from: row[:time],
            to: nil,
            day: nil,
            times: times
          }
        end
      end
    end
  end
end
