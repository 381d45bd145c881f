# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Says what another time would cost, before it is saved. Writes nothing.
      class TimeCost < Act
        reads :post, "see_post", lock: false, stand: true

        # @return [Array<Hash>] {channel:, costs:} for each adaptation that the time would change
        def call(post_id:, channel_id:, value:)
          clean = Core::Posts::PartValues.time(value, now)
          time = clean && Core::Plan::WallTime.parse(clean["wall"], clean["zone"])
          touched =
            mine(post.adaptations).select do |one|
              channel_id ? one.row[:channel_id] == channel_id : !one.own.key?("time")
            end
          {
            kind: time&.kind,
            at: time&.at&.iso8601,
            past: time ? time.at <= now : false,
            costs:
              touched
                .map do |one|
                  { channel: one.channel[:name], costs: Core::Signoff::Cost.of_time(one.verdict, time, names) }
                end
                .reject { |one| one[:costs].empty? }
          }
        end
      end
    end
  end
end
