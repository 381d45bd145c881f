# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Sets which channels a post goes to. A channel added later starts without a yes; one removed takes nothing from the
      # others, and comes back with its own parts when it is chosen again.
      class ChooseChannels < Act
        # @param channel_ids [Array<String>]
        def call(post_id:, channel_ids:)
          require_ability!("choose_channels")
          write do
            post = locked([post_id]).fetch(post_id)
            known = rows(:channels).where(id: channel_ids.select { |id| Core::Uuid::FORMAT.match?(id.to_s) }).to_hash(:id)
            raise no_such_channel if known.size < channel_ids.uniq.size

            changing = post.adaptations.map { |adaptation| adaptation.row[:channel_id] }.difference(known.keys) + known.keys.difference(post.adaptations.map { |adaptation|
              adaptation.row[:channel_id]
            })
            require_ability!("choose_channels", on: touching(channel_ids: changing))
            require_not_archived!(known, changing)
            present = post.adaptations.to_h { |adaptation| [adaptation.row[:channel_id], adaptation] }
            remove(post, present.values.reject { |adaptation| known.key?(adaptation.row[:channel_id]) })
            add(post, known.reject { |id, _| present.key?(id) })
            restage([post_id])
          end
        end

        private

        def require_not_archived!(known, changing)
          gone = known.values_at(*changing).compact.find { |channel| channel[:archived_at] } or return
          raise Core::Invalid.new("channel_archived", "#{gone[:name]} is archived; no new post goes there.", field: "channel_ids", way_on: "Choose another, or take it out of the archive.")
        end

        def no_such_channel
          Core::Invalid.new("no_such_channel", "One of the channels is not a channel of this client.", field: "channel_ids",
            way_on: "Choose from the client's channels.")
        end

        def remove(post, adaptations)
          adaptations.each do |adaptation|
            if adaptation.verdict.sealed?
              raise Core::Conflict.new("sealed", "#{adaptation.channel[:name]} is sealed and cannot be taken off.", field: "channel_ids",
                way_on: "Open it with “Change it” first.", facts: { "adaptations" => [adaptation.id] })
            end
            rows(:adaptations).where(id: adaptation.id).update(removed_at: now)
            record("channel_removed", post_id: post.id, adaptation_id: adaptation.id, facts: { channel: adaptation.channel[:name] })
          end
        end

        def add(post, channels)
          channels.each_value do |channel|
            back = rows(:adaptations).where(post_id: post.id, channel_id: channel[:id]).update(removed_at: nil)
            scope.insert(:adaptations, { id: new_id, post_id: post.id, channel_id: channel[:id], created_at: now }) if back.zero?
            record("channel_added", post_id: post.id, facts: { channel: channel[:name] })
          end
        end
      end
    end
  end
end
