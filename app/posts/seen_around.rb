# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What the checks of a post know beside the post: what goes out around it, the client's days off, what was found at the end
      # of its links.
      class SeenAround
        # @param post [Store::Posts::Standing::Post]
        # @param shown [Array<Store::Posts::Standing::Adaptation>] those that are looked at
        # @param workspace [Hash]
        # @param neighbours [Boolean] whether other posts are looked at too
        def initialize(scope, post, shown, workspace, neighbours: true)
          @scope = scope
          @post = post
          @shown = shown
          @workspace = workspace
          @neighbours = neighbours
        end

        # @return [AdaptationView::Seen]
        def of(adaptation)
          AdaptationView::Seen.new(days_off: days_off, around: around.fetch(adaptation.id), looks: looks)
        end

        private

        def around
          @around ||= begin
            mine = @shown.to_h { |one| [one.id, showing(one)] }
            day = ->(at) { Core::Plan::WallTime.at(at, @workspace[:zone]).wall.strftime("%-d %B") }
            others = others(mine.values.filter_map(&:at))
            mine.transform_values { |one| Core::Checks::Neighbours.call(one, mine.values - [one], others, day) }
          end
        end

        def others(times)
          return [] if times.empty? || !@neighbours

          span = Core::Checks::Neighbours::REPEAT
          Store::Checks::PlannedWords.around(@scope, @post.id, times.min - span, times.max + span)
        end

        def showing(adaptation)
          Core::Checks::Neighbours::Showing.new(post_id: @post.id, subject: @post.row[:subject], channel_id: adaptation.row[:channel_id], channel: adaptation.channel[:name],
            text: adaptation.request["text"], at: adaptation.time&.at, memo: @memo ||= {})
        end

        def days_off
          @days_off ||= begin
            days = @shown.filter_map { |adaptation| adaptation.time&.wall&.to_date }
            days.empty? ? {} : Core::Plan::DaysOff.between(@workspace[:holidays], days.min, days.max).to_h { |day| day.values_at(:date, :name) }
          end
        end

        def looks
          @looks ||= Store::Checks::LinkLooks.of(@scope, @shown.flat_map { |one| Core::Checks::LinkChecks.addresses(one.request) }.uniq)
        end
      end
    end
  end
end
