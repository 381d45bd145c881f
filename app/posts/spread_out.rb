# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Gives the channels of a post that would say the same at once times of their own, as it was proposed: all or
      # none. Costs no yes; where it would, each time is set by hand, which says so first.
      class SpreadOut < PartWrite
        opens :post, "write:time", stand: true

        # @param times [Hash{String=>String}] channel id => wall time, the proposal that the person saw
        # @return [Array<Hash>] {channel_id:, name:, wall:}
        def call(post_id:, times:)
          proposed = SeenAround.new(scope, post, mine(post.adaptations), workspace).spread
          raise moved_on unless proposed.any? && proposed.to_h { |one| [one[:channel_id], one[:wall]] } == times

          moving = post.adaptations.select { |one| times.key?(one.row[:channel_id]) }
          drafts = moving.map { |one| move(one, times.fetch(one.row[:channel_id])) }
          keep(move_releases(after(*drafts), nil))
          proposed
        end

        private

        def moved_on
          Core::Conflict.new(
            "proposal_changed",
            "The times here, or what goes out around them, changed since you looked.",
            field: "times",
            way_on: "Look at the new proposal."
          )
        end

        # @return [Store::Posts::PostState::Draft]
        def move(adaptation, wall)
          channel_id = adaptation.row[:channel_id]
          require_write!(channel_id, "time")
          value = Core::Posts::PartValues.clean("time", { "wall" => wall, "zone" => adaptation.time.zone }, now: now)
          require_free!(adaptation, Core::Plan::WallTime.parse(value["wall"], value["zone"]))
          write_part(channel_id, "time", value)
        end

        def require_free!(adaptation, time)
          return if Core::Signoff::Cost.voided(adaptation.verdict, time).empty?

          cost = Core::Signoff::Cost.of_time(adaptation.verdict, time, names).first
          raise Core::Conflict.new(
                  "costs_yeses",
                  "On #{adaptation.channel[:name]} another time costs something: #{cost}",
                  field: "times",
                  way_on: "Set the time of that channel by hand."
                )
        end
      end
    end
  end
end
