# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What the checks of a post know beside the post: what goes out around it, the client's days off, what was found
      # at the end of its links.
      class SeenAround
        # @param post [Store::Posts::PostState::Post]
        # @param shown [Array<Store::Posts::PostState::Adaptation>] those that are looked at
        # @param workspace [Hash]
        # @param others [Boolean] whether other posts are looked at too
        # @param among [Array<Core::Checks::Neighbours::Showing>, nil] what goes out around it, its own too, for whoever
        #   looks from several posts; nil reads it
        def initialize(scope, post, shown, workspace, others: true, among: nil)
          @scope = scope
          @post = post
          @shown = shown
          @workspace = workspace
          @look_around = others
          @among = among
        end

        # @return [AdaptationView::Seen]
        def of(adaptation)
          AdaptationView::Seen.new(
            days_off: days_off,
            around: around.fetch(adaptation.id),
            looks: looks,
            spread: spread
          )
        end

        # Times of their own for the channels that would go out at once, in the order of the channels. Nothing is
        # proposed without a look at the other posts.
        # @return [Array<Hash>] {channel_id:, name:, wall:}
        def spread
          return [] unless @look_around

          @spread ||=
            begin
              going, staying = @shown.partition { |one| !one.sent? }
              moves =
                Core::Checks::Spreading.propose(
                  mine.values_at(*going.map(&:id)),
                  others,
                  @workspace[:zone],
                  stays: mine.values_at(*staying.map(&:id))
                )
              going
                .select { |one| moves.key?(one.row[:channel_id]) }
                .map do |one|
                  wall = Core::Plan::WallTime.at(moves.fetch(one.row[:channel_id]), one.time.zone).wall
                  { channel_id: one.row[:channel_id], name: one.channel[:name], wall: wall.strftime("%Y-%m-%dT%H:%M") }
                end
            end
        end

        # A later time at which nothing of it is said again too soon.
        # @param time [Core::Plan::WallTime] of the post
        # @param works [#call] Date => whether something may be moved onto that day
        # @return [Core::Plan::WallTime, nil]
        def rested(time, works)
          Core::Checks::Rested.propose(mine.values, others, time, works: works)
        end

        private

        def around
          @around ||=
            begin
              day = ->(at) { Core::Plan::WallTime.at(at, @workspace[:zone]).wall.strftime("%-d %B") }
              mine.transform_values { |one| Core::Checks::Neighbours.call(one, mine.values, others, day) }
            end
        end

        def mine
          @mine ||= @shown.to_h { |one| [one.id, showing(one)] }
        end

        def others
          @others ||=
            begin
              times = mine.values.filter_map(&:at)
              Core::Checks::Timeline.new(times.empty? || !@look_around ? [] : around_them(times))
            end
        end

        def around_them(times)
          return @among.reject { |one| one.post_id == @post.id } if @among

          span = Core::Checks::Neighbours::REPEAT
          Store::Checks::PlannedWords.around(@scope, @post, times.min - span, times.max + span)
        end

        def showing(adaptation)
          Core::Checks::Neighbours::Showing.new(
            post_id: @post.id,
            subject: @post.row[:subject],
            channel_id: adaptation.row[:channel_id],
            channel: adaptation.channel[:name],
            text: adaptation.request["text"],
            at: adaptation.time&.at,
            memo: @memo ||= {}
          )
        end

        def days_off
          @days_off ||=
            begin
              days = @shown.filter_map { |adaptation| adaptation.time&.wall&.to_date }
              if days.empty?
                {}
              else
                Core::Plan::DaysOff
                  .between(@workspace[:holidays], days.min, days.max)
                  .to_h { |day| day.values_at(:date, :name) }
              end
            end
        end

        def looks
          @looks ||=
            Store::Checks::LinkLooks.of(
              @scope,
              @shown.flat_map { |one| Core::Checks::LinkChecks.addresses(one.request) }.uniq
            )
        end
      end
    end
  end
end
