# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Sets which channels a post goes to. A channel added later starts without a yes; one removed takes nothing from
      # the others, and comes back with its own parts when it is chosen again.
      class ChooseChannels < Act
        opens :post, "choose_channels", stand: true

        # @param channel_ids [Array<String>]
        def call(post_id:, channel_ids:)
          known = channels(channel_ids)
          removed = post.adaptations.reject { |adaptation| known.key?(adaptation.row[:channel_id]) }
          added = known.except(*post.channel_ids)
          changing = added.keys + removed.map { |adaptation| adaptation.row[:channel_id] }
          require_ability!("choose_channels", on: touching(channel_ids: changing))
          require_not_archived!(known, changing)
          remove(removed)
          add(added)
          refresh_stage([post_id])
          if added.any?
            environment.queue.render_ahead(member.workspace_id, post_id, at: now + Media::RenderAhead::AFTER)
          end
        end

        private

        # What is not there and what somebody who is limited to others may not know of are one answer.
        def channels(channel_ids)
          wanted = rows(:channels).where(id: channel_ids.select { |id| Core::Uuid::FORMAT.match?(id.to_s) })
          wanted = wanted.where(id: member.limited_to + post.channel_ids) if member.limited_to
          known = wanted.to_hash(:id)
          raise no_such_channel if known.size < channel_ids.uniq.size

          known
        end

        def require_not_archived!(known, changing)
          gone = known.values_at(*changing).compact.find { |channel| channel[:archived_at] } or return
          raise Core::Invalid.new(
                  "channel_archived",
                  "#{gone[:name]} is archived; no new post goes there.",
                  field: "channel_ids",
                  way_on: "Choose another, or take it out of the archive."
                )
        end

        def no_such_channel
          Core::Invalid.new(
            "no_such_channel",
            "One of the channels is not a channel of this client.",
            field: "channel_ids",
            way_on: "Choose from the client's channels."
          )
        end

        def remove(adaptations)
          adaptations.each do |adaptation|
            refusal = Staying.refusal(adaptation) and raise refusal
            rows(:adaptations).where(id: adaptation.id).update(removed_at: now)
            record(
              "channel_removed",
              post_id: post.id,
              adaptation_id: adaptation.id,
              facts: {
                channel: adaptation.channel[:name]
              }
            )
          end
        end

        def add(channels)
          channels.each_value do |channel|
            back = rows(:adaptations).where(post_id: post.id, channel_id: channel[:id]).update(removed_at: nil)
            if back.zero?
              scope.insert(:adaptations, { id: new_id, post_id: post.id, channel_id: channel[:id], created_at: now })
            end
            record("channel_added", post_id: post.id, facts: { channel: channel[:name] })
          end
        end
      end
    end
  end
end
