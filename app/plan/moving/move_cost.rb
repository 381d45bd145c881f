# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Says what another time would do, before it is saved or a line of the plan is dropped there. Writes nothing.
      class MoveCost < Act
        include MayMove
        reads :post, "see_post", lock: false, stand: true

        # @param channel_ids [Array<String>, nil] those that go out at that time; nil for all that follow the master
        # @param time [Hash] the new one
        # @return [Hash] JSON-ready: what it costs, what is beside it there, and why it cannot be where it cannot
        def call(post_id:, channel_ids:, time:)
          moving = Moving.new(post, mine(post.adaptations), channel_ids)
          value = Core::Posts::PartValues.clean("time", time, now: now)
          wall = Core::Plan::WallTime.stored(value)
          costs = costs(moving, wall)
          {
            refused: refused(moving),
            free: Core::Plan::FreeMove.free?(wall, costs, now),
            kind: wall&.kind,
            at: wall&.at&.iso8601,
            past: wall ? wall.at <= now : false,
            off: wall && DayOff.of(post.workspace, wall),
            costs: costs,
            warnings: wall ? warnings(moving, value) : []
          }
        end

        private

        def refused(moving)
          require_movable!(post, moving)
          nil
        rescue Core::Refused, Core::Conflict, Core::Over => e
          [e.message, e.way_on].compact.join(" ")
        end

        def costs(moving, wall)
          moving
            .chosen
            .map { |one| { channel: one.channel[:name], costs: Core::Signoff::Cost.of_time(one.verdict, wall, names) } }
            .reject { |one| one[:costs].empty? }
        end

        # Clashes, floods and repeats that it would come to.
        def warnings(moving, value)
          moved = moving.moved(value)
          chosen = moving.chosen.map { |one| moved.on(one.row[:channel_id]) }
          around = Posts::SeenAround.new(scope, moved, chosen, post.workspace)
          chosen.flat_map do |one|
            around.of(one).around.map { |finding| { channel: one.channel[:name], sentence: finding.sentence } }
          end
        end
      end
    end
  end
end
