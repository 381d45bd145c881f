# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Gives the channels of a post that would say the same at once times of their own, as it was proposed: all or none. Costs no
      # yes; where it would, each time is set by hand, which says so first.
      class SpreadOut < PartWrite
        # @param times [Hash{String=>String}] channel id => wall time, the proposal that the person saw
        # @return [Array<Hash>] {channel_id:, name:, wall:}
        def call(post_id:, times:)
          require_ability!("write:time")
          write do
            post = locked([post_id]).fetch(post_id)
            require_visible!(post_id)
            proposed = proposal(post)
            raise moved_on unless proposed.any? && proposed.to_h { |one| [one[:channel_id], one[:wall]] } == times

            moving = post.adaptations.select { |one| times.key?(one.row[:channel_id]) }
            moving.each { |one| move(post, one, times.fetch(one.row[:channel_id])) }
            move_releases(post, nil)
            restage([post_id])
            proposed
          end
        end

        private

        def proposal(post)
          mine = post.adaptations.select { |one| member.limited_to.nil? || member.limited_to.include?(one.row[:channel_id]) }
          SeenAround.new(scope, post, mine, workspace).spread
        end

        def moved_on
          Core::Conflict.new("proposal_changed", "The times here, or what goes out around them, changed since you looked.", field: "times", way_on: "Look at the new proposal.")
        end

        def move(post, adaptation, wall)
          channel_id = adaptation.row[:channel_id]
          require_write!(post, channel_id, "time")
          value = Core::Posts::PartValues.clean("time", { "wall" => wall, "zone" => adaptation.time.zone })
          require_free!(adaptation, Core::Plan::WallTime.parse(value["wall"], value["zone"]))
          before = part_row(post.id, channel_id, "time")
          keep_part(post.id, channel_id, "time", value, before)
          record("part_saved", post_id: post.id, adaptation_id: adaptation.id, facts: part_facts("time", adaptation, before, value))
        end

        def require_free!(adaptation, time)
          return if Core::Signoff::Cost.voided(adaptation.verdict, time).empty?

          cost = Core::Signoff::Cost.of_time(adaptation.verdict, time, names).first
          raise Core::Conflict.new("costs_yeses", "On #{adaptation.channel[:name]} another time costs something: #{cost}", field: "times",
            way_on: "Set the time of that channel by hand.")
        end
      end
    end
  end
end
