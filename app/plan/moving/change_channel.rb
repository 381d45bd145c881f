# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Has a post go out on one channel instead of another, on the same or another day. What it had of its own goes
      # along; the channel that it leaves keeps its own parts, should the post come back. Compare and set on the time
      # that was seen.
      class ChangeChannel < Posts::PartWrite
        opens :post, "choose_channels", stand: true

        # @param from [String] channel id
        # @param to [String] another of the client
        # @param seen [Hash] the time that the mover saw
        # @param time [Hash] when it goes out there
        # @return [void]
        # @raise [Core::Conflict] there_already, moved_meanwhile, sealed
        # @raise [Core::Over] too_late
        def call(post_id:, from:, to:, seen:, time:)
          value = Core::Posts::PartValues.clean("time", time, now: now)
          return if done?(from, to, value)

          one = mine(post.adaptations).find { |other| other.row[:channel_id] == from } or
            raise Core::NotFound, "This channel of the post"
          raise there_already(post.on(to)) if post.on(to)
          raise Moving.moved_meanwhile("seen") unless one.time == stored(seen)

          Posts::ChooseChannels.call(
            environment,
            member,
            post_id: post_id,
            channel_ids: post.channel_ids - [from] + [to]
          )
          take_along(from, to)
          plan(to, value, before: one.time)
          refresh_stage([post_id])
          tell(post_states([post_id]).fetch(post_id).on(to), one.time) if one.time != stored(value)
        end

        private

        # Also when the answer to the first try was lost on its way.
        def done?(from, to, value)
          post.on(from).nil? && post.on(to)&.time == stored(value)
        end

        def take_along(from, to)
          there = post.part_rows.select { |row| row[:channel_id] == to }.map { |row| row[:part] }
          own = post.part_rows.select { |row| row[:channel_id] == from && row[:part] != "time" }
          missing = own.reject { |row| there.include?(row[:part]) }
          scope.insert(:parts, *missing.map { |row| copy(row, to) })
        end

        def copy(row, channel_id)
          {
            post_id: post.id,
            channel_id: channel_id,
            part: row[:part],
            value: Store::Database.jsonb(row[:value]),
            version: 1,
            written_by: row[:written_by],
            written_at: now,
            authors: Store::Database.uuids(row[:authors].to_a)
          }
        end

        # It follows the master where that says the same.
        def plan(channel_id, value, before:)
          time = stored(value)
          require_ability!("write:time", on: touching(channel_ids: [channel_id])) if time != before
          row = post.part(channel_id, "time")
          if time == stored(post.master["time"])
            rows(:parts).where(post_id: post.id, channel_id: channel_id, part: "time").delete if row
          else
            keep_part(channel_id, "time", value, row)
          end
        end

        # That it goes out at another time; the channels tell of themselves.
        # @param there [Store::Posts::PostState::Adaptation]
        def tell(there, before)
          facts = part_facts("time", there, { value: before&.to_h }, there.time&.to_h)
          record("part_saved", post_id: post.id, adaptation_id: there.id, facts: facts)
        end

        def stored(value) = Core::Plan::WallTime.stored(value)

        def there_already(one)
          Core::Conflict.new(
            "there_already",
            "It goes out on #{one.channel[:name]} too.",
            field: "to",
            way_on: "Choose a channel that it is not on."
          )
        end
      end
    end
  end
end
