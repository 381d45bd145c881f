# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # Archives a channel: no post goes there any more, what was there stays. Its releases must be taken back first,
      # since something that was promised is not dropped in passing. What is asked for it there is withdrawn.
      class ArchiveChannel < Act
        opens :channel, "connect", locks: :client

        # @param out [Boolean] true takes it out of the archive
        def call(channel_id:, out: false)
          require_nothing_released!(row) unless out
          rows(:channels).where(id: channel_id).update(archived_at: out ? nil : now)
          rows(:channel_set_channels).where(channel_id: channel_id).delete unless out
          asked = out ? [] : withdraw
          record(out ? "channel_unarchived" : "channel_archived", facts: { name: row[:name] })
          refresh_stage(asked) if asked.any?
          announce("channels", ids: [])
        end

        private

        # @return [Array<String>] ids of the posts that were asked about
        def withdraw
          here = rows(:adaptations).where(channel_id: row[:id])
          asked = rows(:ask_line_adaptations).where(adaptation_id: here.select(:id), ended_as: nil)
          posts = here.where(id: asked.select(:adaptation_id)).select_map(%i[id post_id]).to_h
          Signoff::EndLines.call(environment, member, adaptation_ids: posts.keys, as: "withdrawn") if posts.any?
          posts.values.uniq
        end

        def require_nothing_released!(row)
          count = Store::Dispatch::Releases.count_planned(scope, row[:id])
          return if count.zero?

          raise Core::Conflict.new(
                  "has_releases",
                  "#{count} #{count == 1 ? "post is" : "posts are"} released to #{row[:name]}.",
                  field: "channel",
                  way_on: "Take them back first, from the posts or the dispatch log."
                )
        end
      end
    end
  end
end
