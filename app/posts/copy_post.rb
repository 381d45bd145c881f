# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Copies a post into a new draft: as it is, for other times, to other channels, or to another client where the
      # person may write. Talk, tasks, asks and answers never come along. To another client its files are copied as
      # files of that client, and nothing there says where they came from.
      class CopyPost < Act
        stepwise
        opens :post, "see_post", lock: false, stand: true

        MOST = 60 # copies at once

        # @param walls [Array<String>] wall times, one copy for each; none: one copy with the same time
        # @param channel_ids [Array<String>, nil] where it goes; nil: where the post goes
        # @param workspace_id [String, nil] another client's
        # @param dry [Boolean] only whether it can be done; nothing is made
        # @return [Array<String>] ids of the new posts
        def call(post_id:, walls: [], channel_ids: nil, workspace_id: nil, dry: false)
          reading { enter }
          raise too_many if walls.size > MOST

          target = workspace_id.nil? || workspace_id == member.workspace_id ? member : member_of(workspace_id)
          return elsewhere(target, walls, channel_ids || [], dry: dry) unless target.workspace_id == member.workspace_id

          require_ability!("make_post")
          times = times(walls, member.zone, post.master["time"])
          write { times.map { |time| here(time, channel_ids) } }
        end

        private

        def too_many
          Core::TooMany.new(
            "At most #{MOST} copies can be made at once.",
            field: "walls",
            way_on: "Make them in parts."
          )
        end

        def times(walls, zone, otherwise)
          return [otherwise] if walls.empty?

          walls.map { |wall| Core::Plan::WallTime.parse(wall, zone, field: "walls").to_h }
        end

        def member_of(workspace_id)
          known = Core::Uuid::FORMAT.match?(workspace_id.to_s)
          row = Store::People::Members.find(environment.db, member.person_id, workspace_id, now) if known
          raise Core::NotFound, "This client" unless row

          Member.from_row(row, from: member.from)
        end

        # --- in the same client ---

        def here(time, channel_ids)
          id = CreatePost.call(environment, member, subject: post.row[:subject])
          chosen = channel_ids || mine(post.adaptations).map { |one| one.row[:channel_id] }
          ChooseChannels.call(environment, member, post_id: id, channel_ids: chosen) if chosen.any?
          rows(:posts).where(id: id).update(campaign_id: post.row[:campaign_id], note: post.row[:note])
          scope.insert(
            :post_labels,
            *rows(:post_labels)
              .where(post_id: post.id)
              .select_map(:label_id)
              .map { |label| { post_id: id, label_id: label } }
          )
          scope.insert(:parts, *copies_of(id, chosen, time))
          record("post_copied", post_id: id, facts: { from: post.id, subject: post.row[:subject] })
          refresh_stage([id])
          id
        end

        def copies_of(id, chosen, time)
          own, followed =
            post
              .part_rows
              .select { |row| row[:channel_id].nil? || chosen.include?(row[:channel_id]) }
              .partition { |row| row[:part] == "time" && row[:channel_id] }
          copies =
            followed
              .reject { |row| row[:part] == "time" }
              .map { |row| part(id, row[:channel_id], row[:part], row[:value], row[:authors].to_a) }
          copies << part(id, nil, "time", time, []) if time
          copies +
            own.filter_map do |row|
              own_time = moved(row[:value], post.master["time"], time)
              own_time && part(id, row[:channel_id], "time", own_time, [])
            end
        end

        # A channel's own time stays as far from the master's as it was: the spread of a post goes along.
        def moved(own, from, to)
          return own if from == to || own.nil?
          return if from.nil? || to.nil?

          walls = [own, from, to].map { |time| Core::Plan::WallTime.parse(time["wall"], time["zone"]).wall }
          Core::Plan::WallTime.new(walls[0] + (walls[2] - walls[1]), own["zone"]).to_h
        end

        def part(post_id, channel_id, part, value, authors)
          {
            post_id: post_id,
            channel_id: channel_id,
            part: part,
            value: Store::Database.jsonb(value),
            version: 1,
            written_by: member.person_id,
            written_at: now,
            authors: Store::Database.uuids(authors | [member.person_id])
          }
        end

        # --- to another client ---

        def elsewhere(target, walls, channel_ids, dry:)
          Core::Permissions::Decision.for(target, "make_post").require!
          return [] if dry # files that are copied would stay

          parts = PartsForElsewhere.of(post.master)
          files = parts["media"].to_h { |id| [id, copy_file(id, target)] }
          times = times(walls, target.zone, nil)
          # all of them or none: the acts join this transaction
          made =
            target
              .scope(environment.db)
              .transaction do
                times.map do |time|
                  make_there(post.row[:subject], target, channel_ids, PartsForElsewhere.with_files(parts, files), time)
                end
              end
          write { record("post_copied_out", post_id: post.id, facts: { subject: post.row[:subject] }) }
          made
        end

        def make_there(subject, target, channel_ids, parts, time)
          id = CreatePost.call(environment, target, subject: subject)
          ChooseChannels.call(environment, target, post_id: id, channel_ids: channel_ids) if channel_ids.any?
          parts = parts.merge("time" => time) if time
          parts.each do |part, value|
            UpdatePart.call(environment, target, post_id: id, channel_id: nil, part: part, value: value, version: 0)
          end
          id
        end

        def copy_file(id, target)
          row = fetch(:media, id, "This file")
          environment
            .files
            .open(row[:file]) { |io| Media::UploadMedia.call(environment, target, io: io, name: row[:name])[:id] }
        end
      end
    end
  end
end
