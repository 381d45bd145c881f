# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Saves one part, of the master or of one channel: compare and set on the version that the writer saw.
      class SavePart < PartWrite
        AUTHORLESS = %w[time].freeze

        # @param channel_id [String, nil] nil for the master
        # @param version [Integer] 0 when there was none
        # @return [Integer] the new version
        def call(post_id:, channel_id:, part:, value:, version:)
          raise Core::Invalid.new("part_unknown", "A post has no part “#{part}”.", field: "part") unless Core::Posts::Parts::ALL.include?(part)

          clean = Core::Posts::PartValues.clean(part, value)
          write do
            post = locked([post_id]).fetch(post_id)
            require_channel!(post, channel_id)
            require_write!(post, channel_id, part)
            require_own_media!(clean) if part == "media"
            before = part_row(post_id, channel_id, part)
            raise part_changed(before, part) unless (before ? before[:version] : 0) == version
            return version if before && before[:value] == clean

            keep(post_id, channel_id, part, clean, before)
            after(post, channel_id, part, before, clean)
          end
          version + 1
        end

        private

        def require_own_media!(ids)
          missing = ids - rows(:media).where(id: ids).select_map(:id)
          return unless missing.any?

          raise Core::Invalid.new("no_such_picture", "A picture is not in this client's files.", field: "media",
            way_on: "Upload it here.")
        end

        def keep(post_id, channel_id, part, value, before)
          authors = ((before ? before[:authors].to_a : []) | [member.person_id])
          authors = [member.person_id] if empty?(before && before[:value])
          row = { value: Store::Database.jsonb(value), written_by: member.person_id, written_at: now, authors: Store::Database.uuids(authors) }
          if before
            rows(:parts).where(post_id: post_id, channel_id: channel_id, part: part).update(row.merge(version: before[:version] + 1))
          else
            scope.insert(:parts, row.merge(post_id: post_id, channel_id: channel_id, part: part, version: 1))
          end
        end

        def empty?(value)
          value.nil? || value == "" || value == [] || value == {}
        end

        def after(post, channel_id, part, before, value)
          channel = post.adaptations.find { |adaptation| adaptation.row[:channel_id] == channel_id }
          record("part_saved", post_id: post.id, adaptation_id: channel&.id,
            facts: { part: part, channel: channel && channel.channel[:name], before: short(before && before[:value]), after: short(value) })
          move_releases(post, channel_id) if part == "time"
          restage([post.id])
        end

        # A release moves with its time, as long as its yeses allow the new one; otherwise restaging ends it.
        def move_releases(post, channel_id)
          standing([post.id]).fetch(post.id).adaptations.each do |adaptation|
            next if adaptation.release.nil? || adaptation.sent? || (channel_id && adaptation.row[:channel_id] != channel_id)
            next if adaptation.time.nil? || !adaptation.verdict.releasable? || adaptation.facts.released[:time] == adaptation.time

            Dispatch::MoveRelease.call(kit, member, release: adaptation.release, time: adaptation.time)
          end
        end

        def short(value)
          value.is_a?(String) && value.length > 2_000 ? "#{value[0, 2_000]}…" : value
        end
      end
    end
  end
end
