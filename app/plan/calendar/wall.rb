# frozen_string_literal: true

module AskFirst
  module App
    module Plan
      # The coming pictures of a channel as its visitors will find them: the latest first, with what is out already.
      class Wall < Act
        reads :channel, "see_campaign", lock: false

        # @param channel_id [String]
        # @return [Hash] JSON-ready: cells, the latest first, each with the line of its post that this channel is in
        def call(channel_id:)
          ids = Store::Plan::Wall.posts(scope, channel_id, now)
          shown = Store::Plan::Wall.cells(scope, channel_id, ids)
          lines = lines(ids, channel_id)
          cells =
            lines
              .sort_by { |line| [line.at, line.post_id] }
              .reverse
              .map { |line| json(line, shown.fetch(line.post_id)) }
          { channel: row.slice(:id, :network, :initials, :name), cells: cells }
        end

        private

        def lines(ids, channel_id)
          return [] if ids.empty?

          Lines
            .of(Store::Plan::Days.of_posts(scope, id: ids))
            .select { |line| line.channels.any? { |channel| channel["id"] == channel_id } }
        end

        def json(line, cell)
          {
            workspace_id: line.workspace_id,
            post_id: line.post_id,
            subject: line.subject,
            stage: cell[:stage],
            strip: line.strip,
            time: line.value,
            channels: line.channels,
            media: cell[:media_id] && { id: cell[:media_id], video: cell[:mime].start_with?("video/") },
            words: cell[:words].to_s
          }
        end
      end
    end
  end
end
