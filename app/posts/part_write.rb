# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What writing a part and setting it back to follow have in common: who may, whether it is sealed, which version
      # was seen, and what becomes of a release whose time moves.
      class PartWrite < Act
        private

        def require_part!(part)
          unless Core::Posts::Parts::ALL.include?(part)
            raise Core::Invalid.new("part_unknown", "A post has no part “#{part}”.", field: "part")
          end
        end

        # Ability, channel limit, seal and what is going, by the one decision.
        def require_write!(channel_id, part)
          raise Core::NotFound, "This channel of the post" if channel_id && post.on(channel_id).nil?

          require_ability!("write:#{part}", on: Touching.part(post, channel_id, part))
        end

        # Writes a part and puts it on record: the one way in which one is changed by its own value.
        # @param channel_id [String, nil] nil for the master
        # @param authors [Array<String>] whose words or pictures are in the value too
        # @return [Store::Posts::PostState::Draft] what stands there now
        def write_part(channel_id, part, value, authors: [])
          before = post.part(channel_id, part)
          record_part(channel_id, part, before, value)
          keep_part(channel_id, part, value, before, authors: authors)
        end

        # @param value [Object] nil where it follows the master from now on
        def record_part(channel_id, part, before, value)
          channel = post.on(channel_id)
          record(
            "part_saved",
            post_id: post.id,
            adaptation_id: channel&.id,
            facts: part_facts(part, channel, before, value)
          )
        end

        # @param before [Hash, nil] the part's row
        # @param authors [Array<String>] whose words or pictures are in the value too
        # @return [Store::Posts::PostState::Draft] what stands there now
        def keep_part(channel_id, part, value, before, authors: [])
          all = carried(part, before || (channel_id && post.part(nil, part)), value) | authors | [member.person_id]
          row = {
            value: Store::Database.jsonb(value),
            written_by: member.person_id,
            written_at: now,
            authors: Store::Database.uuids(all)
          }
          if before
            rows(:parts).where(post_id: post.id, channel_id: channel_id, part: part).update(
              row.merge(version: before[:version] + 1)
            )
          else
            scope.insert(:parts, row.merge(post_id: post.id, channel_id: channel_id, part: part, version: 1))
          end
          Store::Posts::PostState::Draft.new(channel_id: channel_id, part: part, value: value, authors: all)
        end

        # @param from [Hash, nil] the row that the value came from; of one that a channel did not have, the master's
        # @return [Array<String>] whose words or files of before are still in it
        def carried(part, from, value)
          from ? Core::Posts::Authorship.carried(part, from[:value], value, from[:authors].to_a) : []
        end

        # A file that the post did not hold yet has to be read first, with how it is made ready; anything else is known.
        # @param drafts [Array<Store::Posts::PostState::Draft>] as they were kept
        # @return [Store::Posts::PostState::Post] as it stands with them
        def after(*drafts)
          fresh = drafts.flat_map { |draft| files_of(draft.part, draft.value) } - post.source.media_ids
          return post_states([post.id]).fetch(post.id) if fresh.any?

          post.changed(parts: ->(rows) { drafts.reduce(rows) { |all, draft| draft.lay_over(all, post.id) } })
        end

        # Everything that a part points at is this client's.
        def require_own_media!(part, value)
          ids = files_of(part, value)
          return if ids.empty? || (ids - own_media(ids)).empty?

          raise Core::Invalid.new(
                  "no_such_picture",
                  "A picture is not in this client's files.",
                  field: part,
                  way_on: "Upload it here."
                )
        end

        # @return [Array<String>] ids of the files that a value points at
        def files_of(part, value)
          case part
          when "media"
            value
          when "framing", "descriptions"
            value.keys
          when "tagged"
            value.map { |row| row["media"] }.uniq
          when "link"
            [Core::Posts::Link.picture(value)].compact
          else
            []
          end
        end

        # What the post shows already was looked at when it came there.
        def own_media(ids)
          there = post.source.media_ids
          fresh = ids - there
          return there if fresh.empty?

          there + Store::Posts::Visible.media_of(scope, fresh).select_map(:id)
        end

        def part_facts(part, channel, before, value)
          {
            part: part,
            channel: channel && channel.channel[:name],
            before: short(before && before[:value]),
            after: short(value)
          }
        end

        def short(value)
          value.is_a?(String) && value.length > 2_000 ? "#{value[0, 2_000]}…" : value
        end

        # A release moves with its time, as long as its yeses allow the new one; otherwise restaging ends it.
        # @param standing [Store::Posts::PostState::Post] with the new time
        # @return [Store::Posts::PostState::Post] with the releases that moved
        def move_releases(standing, channel_id)
          moving =
            standing.adaptations.select do |adaptation|
              (channel_id.nil? || adaptation.row[:channel_id] == channel_id) && adaptation.release_moves?
            end
          moved =
            moving
              .filter_map do |one|
                Dispatch::MoveRelease.call(environment, member, release: one.release, time: one.time)
              end
              .to_h { |release| [release[:showing_id], release] }
          return standing if moved.empty?

          standing.changed(releases: ->(rows) { rows.map { |row| moved.fetch(row[:showing_id], row) } })
        end

        # @param row [Hash, nil] the part's
        # @param wanted [Object, nil] what the writer would have it say
        def part_changed(row, part, wanted = nil)
          mine = !row.nil? && row[:written_by] == member.person_id
          Core::Changed.new(
            "part_changed",
            mine ? "this in another window" : "this",
            by: mine ? "You" : row && post.names[row[:written_by]],
            field: part,
            way_on: mine ? "Look at both, then keep one, or both." : "Look at theirs, then keep yours or take it.",
            theirs: row && row[:value],
            version: row ? row[:version] : 0,
            mine: mine,
            **compared(row && row[:value], wanted)
          )
        end

        # Of two texts, where they differ.
        def compared(theirs, wanted)
          return {} unless [theirs, wanted].all?(String)

          { runs: Core::Posts::WordDiff.runs(theirs, wanted).map(&:to_h) }
        end
      end
    end
  end
end
