# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # Posts, and what hangs on one: its tasks and files.
      module ToPosts
        # A post's row with the channels that it is on: enough for what hangs on no verdict.
        PostSummary = Struct.new(:row, :channel_ids, keyword_init: true) { def id = row[:id] }

        def post(input, **how)
          posts({ post_ids: [input[:post_id]] }, **how)
        end

        # @param lock [Boolean] whether the posts are locked, so that nobody changes a verdict in between
        # @param stand [Boolean] whether their verdicts are loaded
        # @param whole [Boolean] whether the act touches everything of a post, all its channels; else the act says
        # what it
        #   touches (Act#require_on!)
        def posts(input, lock: true, stand: false, whole: false)
          ids = input[:post_ids].uniq
          agency_only!("This post")
          rows = seen_rows(ids, lock)
          raise Core::NotFound, "This post" if rows.size < ids.size

          found = stand ? Store::Posts::PostState.load(scope, ids, now) : rows.transform_values { |row| summary(row) }
          channel_ids = rows.values.flat_map { |row| row[:channel_ids].to_a }.uniq
          require!(@act, on: whole ? touching(channel_ids: channel_ids) : Core::Permissions::Touched::NOTHING)
          Opened.new(row: rows.values.first, posts: found, channel_ids: channel_ids)
        end

        # One of a post's two rooms. The client side has only its own, and only beside posts that it was asked about.
        def room(input)
          @act = input[:room] == "house" && member.side == "agency" ? "house_talk" : "client_talk"
          return post(input, lock: false) if member.side == "agency"

          row = find_with(:post_asked_about, input[:post_id], "This post", member.person_id, member.ask_id)
          raise Core::NotFound, "This room" unless input[:room] == "client"

          require!(@act)
          Opened.new(row: row)
        end

        OWN_FOR = 15 * 60 # seconds in which one's own words can be changed; common practice, no source

        # A remark, for whoever may be in its room.
        # @param stand [Boolean] whether the verdicts of its post are loaded
        def remark(input, stand: false, lock: false)
          row = find(:remarks, input[:remark_id], "This remark") { |remarks| remarks.where(deleted_at: nil) }
          opened = room({ post_id: row[:post_id], room: row[:room] })
          return Opened.new(row: row, posts: opened.posts || {}) unless stand && member.side == "agency"

          posts = posts({ post_ids: [row[:post_id]] }, stand: true, lock: lock).posts
          Opened.new(row: find(:remarks, row[:id], "This remark"), posts: posts)
        end

        # One's own words, as long as they can still be changed.
        def own_remark(input)
          opened = remark(input)
          row = opened.row
          raise Core::NotFound, "This remark" unless row[:person_id] == member.person_id
          raise said_too_long_ago if row[:said_at] < now - OWN_FOR || answered?(row)

          opened
        end

        # A file in one of a post's rooms, for whoever may be in that room.
        def post_file(input)
          row = find(:brand_files, input[:file_id], "This file") { |files| files.where(removed_at: nil) }
          raise Core::NotFound, "This file" unless row[:post_id] && row[:post_id] == input[:post_id]

          room({ post_id: row[:post_id], room: row[:room] })

          Opened.new(row: row)
        end

        def task(input, lock: true)
          agency_only!("This task")
          row = find(:tasks, input[:task_id], "This task")
          raise Core::NotFound, "This task" if seen_rows([row[:post_id]], lock).empty?

          require!(@act, on: touching(owners: [row[:person_id]]))
          Opened.new(row: row)
        end

        # A file of the client: for whoever is limited to channels, what they added and what posts show that they see.
        def media(input)
          agency_only!("This picture")
          require!(@act)
          Opened.new(
            row: find(:media, input[:media_id], "This picture") { |files| Store::Posts::Visible.media(scope, files) }
          )
        end

        MOST_MEDIA = 500 # at once

        # Many files of the client. One that is not there for this reader and one that is nowhere are one answer.
        def many_media(input)
          agency_only!("These files")
          require!(@act)
          ids = input[:media_ids].uniq.grep(Core::Uuid::FORMAT)
          raise too_many_media if ids.size > MOST_MEDIA

          found = things.media(ids)
          raise Core::NotFound, "One of these files" if found.empty? || found.size < input[:media_ids].uniq.size

          Opened.new(rows: found)
        end

        # A file exactly as it goes out.
        def rendition(input)
          agency_only!("This picture")
          require!(@act)
          Opened.new(
            row:
              find(:renditions, input[:rendition_id], "This picture") do |files|
                Store::Posts::Visible.renditions(scope, files)
              end
          )
        end

        private

        def answered?(row) = row[:decided_at] || scope.rows(:remarks).where(thread_id: row[:id]).any?

        def too_many_media
          Core::TooMany.new(
            "#{MOST_MEDIA} files at once are the most.",
            of: "media",
            field: "media_ids",
            way_on: "Do it in parts."
          )
        end

        def said_too_long_ago
          Core::Over.new(
            "said_too_long_ago",
            "Words can be changed for #{OWN_FOR / 60} minutes, as long as nobody has answered them.",
            way_on: "Say what is to be added."
          )
        end

        # One statement, whether a post is there, not there, or not theirs.
        def seen_rows(ids, lock)
          known = ids.select { |id| Core::Uuid::FORMAT.match?(id.to_s) }
          Store::Locks.for_posts(scope, known) if lock # first: what is read beside a row that is waited for is older
          things.posts(known)
        end

        def summary(row)
          PostSummary.new(row: row, channel_ids: row[:channel_ids].to_a)
        end
      end
    end
  end
end
