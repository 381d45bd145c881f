# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # Some channels of a post that go out at one time, and are moved together. Those that follow the master's time
      # move with the master; those with a time of their own keep one.
      class Moving
        # @param post [Store::Posts::PostState::Post]
        # @param seen [Array<Store::Posts::PostState::Adaptation>] those of the mover's channels
        # @param channel_ids [Array<String>, nil] none for a post without a time, or without channels: all of it moves;
        #   nil for those that follow the master
        # @raise [Core::NotFound] for a channel that the post is not on
        def initialize(post, seen, channel_ids)
          @post = post
          on = seen.to_h { |one| [one.row[:channel_id], one] }
          @chosen = channel_ids ? named(on, channel_ids) : seen.reject { |one| one.own.key?("time") }
        end

        # @param field [String] that said what the mover saw
        # @return [Core::Conflict]
        def self.moved_meanwhile(field)
          Core::Conflict.new(
            "moved_meanwhile",
            "Somebody planned this for another time meanwhile.",
            field: field,
            way_on: "Look where it stands now, and move it again if you still want to."
          )
        end

        attr_reader :chosen

        # @return [Array<String, nil>] where the time is to be written: nil for the master
        def targets = followers.targets

        # What is being sent or is out stays where it is.
        # @raise [Core::Over]
        def require_unsent!
          sent = chosen.select(&:sent?)
          return if sent.empty?

          rest = sent.size < chosen.size ? " Move the other channels in the post." : ""
          names = sent.map { |one| one.channel[:name] }.join(", ")
          raise Core::Over.new(
                  "sent",
                  "It is being sent or is out on #{names}.",
                  way_on: "It stays where it is.#{rest}"
                )
        end

        # Whether everything that would move is planned for this time now. Whoever moves the master moves all that
        # follow it: those that were not named must not be surprised.
        # @param time [Core::Plan::WallTime, nil]
        def at?(time)
          return stored(@post.master["time"]) == time if chosen.empty?

          chosen.all? { |one| one.time == time } && followers.surprised.empty?
        end

        # @param value [Hash, nil] of the part
        # @return [Store::Posts::PostState::Post] as it would stand
        def moved(value)
          drafts = targets.map { |id| Store::Posts::PostState::Draft.new(channel_id: id, part: "time", value: value) }
          @post.changed(parts: ->(rows) { drafts.reduce(rows) { |all, draft| draft.lay_over(all, @post.id) } })
        end

        private

        def named(on, channel_ids)
          ids = channel_ids.empty? ? on.keys : channel_ids.uniq
          ids.map { |id| on[id] or raise Core::NotFound, "This channel of the post" }
        end

        def followers
          @followers ||= Core::Plan::Followers.new(follow(@post.adaptations), follow(chosen))
        end

        def follow(adaptations)
          adaptations.map do |one|
            Core::Plan::Followers::One.new(channel_id: one.row[:channel_id], own: one.own.key?("time"))
          end
        end

        def stored(value) = Core::Plan::WallTime.stored(value)
      end
    end
  end
end
