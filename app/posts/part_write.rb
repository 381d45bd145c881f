# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What writing a part and setting it back to follow have in common: who may, whether it is sealed, which version was seen.
      class PartWrite < Act
        private

        def part_row(post_id, channel_id, part)
          rows(:parts).where(post_id: post_id, channel_id: channel_id, part: part).first
        end

        def require_channel!(post, channel_id)
          return if channel_id.nil? || post.adaptations.any? { |adaptation| adaptation.row[:channel_id] == channel_id }

          raise Core::NotFound, "This channel of the post"
        end

        # @param authors [Array<String>] whose words or pictures are in the value too
        def keep_part(post_id, channel_id, part, value, before, authors: [])
          present = empty?(before && before[:value]) ? [] : before[:authors].to_a
          row = { value: Store::Database.jsonb(value), written_by: member.person_id, written_at: now,
                  authors: Store::Database.uuids(present | authors | [member.person_id]) }
          if before
            rows(:parts).where(post_id: post_id, channel_id: channel_id, part: part).update(row.merge(version: before[:version] + 1))
          else
            scope.insert(:parts, row.merge(post_id: post_id, channel_id: channel_id, part: part, version: 1))
          end
        end

        def empty?(value)
          value.nil? || value == "" || value == [] || value == {}
        end

        # Everything that a part points at is this client's.
        def require_own_media!(part, value)
          ids = case part
                when "media" then value
                when "framing", "descriptions" then value.keys
                when "tagged" then value.map { |row| row["media"] }.uniq
                when "link" then [Core::Posts::Link.picture(value)].compact
                else []
                end
          return if ids.empty? || (ids - rows(:media).where(id: ids).select_map(:id)).empty?

          raise Core::Invalid.new("no_such_picture", "A picture is not in this client's files.", field: part, way_on: "Upload it here.")
        end

        def part_facts(part, channel, before, value)
          { part: part, channel: channel && channel.channel[:name], before: short(before && before[:value]), after: short(value) }
        end

        def short(value)
          value.is_a?(String) && value.length > 2_000 ? "#{value[0, 2_000]}…" : value
        end

        # The adaptations that a write to this part would change.
        def touched(post, channel_id, part)
          return post.adaptations.select { |adaptation| adaptation.row[:channel_id] == channel_id } if channel_id

          following = Core::Posts::Parts.followers(part, post.adaptations.to_h { |adaptation| [adaptation.id, adaptation.own] })
          post.adaptations.select { |adaptation| following.include?(adaptation.id) }
        end

        # Ability, channel limit and seal, by the one decision.
        def require_write!(post, channel_id, part)
          touched = touched(post, channel_id, part).reject { |adaptation| channel_id.nil? && out?(adaptation) }
          going = touched.select { |adaptation| adaptation.verdict.sending? || out?(adaptation) }
          sealed = touched.select { |adaptation| adaptation.verdict.sealed? }
          require_ability!("write:#{part}", on: touching(channel_ids: channel_id ? [channel_id] : channel_ids(post), going: channels(going),
            sealed: channels(sealed), facts: { "adaptations" => sealed.map(&:id) }))
        end

        def out?(adaptation)
          adaptation.showing && adaptation.showing[:state] == "out"
        end

        def channel_ids(post)
          post.adaptations.map { |adaptation| adaptation.row[:channel_id] }
        end

        def channels(adaptations)
          adaptations.map { |adaptation| adaptation.channel[:name] }
        end

        # A release moves with its time, as long as its yeses allow the new one; otherwise restaging ends it.
        def move_releases(post, channel_id)
          standing([post.id]).fetch(post.id).adaptations.each do |adaptation|
            next if adaptation.release.nil? || adaptation.sent? || (channel_id && adaptation.row[:channel_id] != channel_id)
            next if adaptation.time.nil? || !adaptation.verdict.releasable? || adaptation.facts.released[:time] == adaptation.time

            Dispatch::MoveRelease.call(kit, member, release: adaptation.release, time: adaptation.time)
          end
        end

        def part_changed(row, part)
          Core::Conflict.new("part_changed", "#{row ? names.fetch(row[:written_by], 'Somebody') : 'Somebody'} changed this meanwhile.",
            field: part, way_on: "Look at theirs, then keep yours or take it.",
            facts: { "theirs" => row && row[:value], "version" => row ? row[:version] : 0, "by" => row && names[row[:written_by]] })
        end
      end
    end
  end
end
