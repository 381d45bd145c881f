# frozen_string_literal: true

module AskFirst
  module App
    module Feeds
      # Reads one feed, writes down how it is, and takes what is new in it, as whoever set the feed up and as far as
      # they may now. Each item is taken in a transaction of its own, and never twice.
      class ReadFeed < Act
        stepwise
        of_process

        AT_ONCE = 20 # new items of one reading; the others come with the next
        RECENT = 10
        FILES = 200 # of a folder, the newest
        RESTS = %w[gone harmful].freeze # gone for good, or over a limit of the sandbox: it would be the same again
        ROBOTS_KEPT = 86_400 # seconds that a site's wishes are known for (RFC 9309, 2.4)

        def call(feed_id:)
          @feed = reading { rows(:feeds).where(id: feed_id, paused_at: nil).first } or return
          found = read or return
          seen(found) if found.items && feed[:begun_at] && take(found.items).zero?
          announce_all if changed?(found)
        rescue Core::Away, *Store::Failures::AWAY
          raise # tried again soon
        rescue StandardError => e
          # a mistake of ours: it shows at the feed, and is tried again with the growing waits of what is broken
          SemanticLogger["Feeds"].error("feed #{feed_id}", e)
          failed(Core::Checks::Unreadable.new("broken", "what it says could not be taken in"))
        end

        private

        attr_reader :feed

        # @return [Edge::Feeds::Fetch::Reply, Found, nil] nil where it cannot be read
        def read
          found =
            (
              if feed[:folder_id]
                of_folder
              else
                environment.feeds.call(feed[:address], now: now, known: known, robots: ask_robots?)
              end
            )
          fine(found)
          found
        rescue Core::Checks::Unreadable => e
          failed(e)
        end

        # What has not changed since everything in it was taken need not be sent again.
        def known = feed[:started] ? feed.slice(:etag, :last_modified) : {}
        def ask_robots? = feed[:robots_at].nil? || feed[:robots_at] < now - ROBOTS_KEPT

        Found = Struct.new(:items, :title, :etag, :last_modified, :wait, keyword_init: true)
        private_constant :Found

        def of_folder
          files =
            reading do
              here = rows(:media).where(folder_id: feed[:folder_id], replaced_by: nil)
              here.reverse(:added_at).limit(FILES).all
            end
          Found.new(
            items:
              files.map do |file|
                named = File.basename(file[:name], ".*").tr("_-", "  ").strip
                # a newer version is the same item
                said = { id: file[:first_id] || file[:id], at: file[:added_at], words: file[:description] }
                Core::Feeds::FeedItem.new(**said, media_id: file[:id], title: named.empty? ? file[:name] : named)
              end
          )
        end

        def fine(found)
          wait = feed[:folder_id] ? Core::Feeds::FeedPace::FOLDER : Core::Feeds::FeedPace.wait(asked: found.wait)
          health = { state: "fine", said: "", failures: 0, read_at: now, next_at: now + wait }
          health[:robots_at] = now if feed[:address] && ask_robots?
          health[:recent] = Store::Database.jsonb(recent(found)) if found.items
          note(health)
        end

        def recent(found) = JSON.parse(JSON.generate(found.items.first(RECENT).map(&:as_json)))

        # From now on it need not be sent again unless it changed: only once everything in it has been taken, since
        # what is left over would not be sent a second time.
        def seen(found) = note(etag: found.etag, last_modified: found.last_modified)

        # Whether a page that shows it shows something else now.
        def changed?(found)
          feed[:state] != "fine" || @changed || (found.items && recent(found) != plain(feed[:recent]))
        end

        def plain(value) = JSON.parse(JSON.generate(value))

        # @return [nil]
        def failed(error)
          failures = feed[:failures] + 1
          wait = Core::Feeds::FeedPace.wait(failures: failures, asked: error.wait)
          health = { state: error.state, said: error.note.to_s[0, 500], failures: failures, next_at: now + wait }
          health[:paused_at] = now if RESTS.include?(error.state)
          write do
            rows(:feeds).where(id: feed[:id]).update(health)
            tell_maker(error) if error.state == "harmful"
            announce("ideas", ids: [])
          end
          nil
        end

        def tell_maker(error)
          words = "The feed at #{feed[:address]} rests: #{error.note}. Nothing of it is read until somebody goes on."
          People::Notify.call(environment, member, person_ids: [feed[:made_by]], kind: "material", words: words)
        end

        def note(health) = write { rows(:feeds).where(id: feed[:id]).update(health) }
        def announce_all = write { announce("ideas", ids: []) }

        # @return [Integer] how many are left for the next reading
        def take(items)
          return first(items) unless feed[:started]

          fresh = fresh(items)
          some = fresh.last(AT_ONCE)
          (fresh.size - some.size) + some.reverse.count { |item| !one(item) } # the oldest first
        end

        # What stands there when a feed begins is before it, but for as many as were wanted.
        def first(items)
          before = items.drop(feed[:take])
          write do
            before.each { |item| keep(item, "before") }
            rows(:feeds).where(id: feed[:id]).update(started: true)
          end
          items.first(feed[:take]).reverse.count { |item| !one(item) }
        end

        # Items that are known by none of their keys; the others are known by all of them from now on.
        def fresh(items)
          keys = items.to_h { |item| [item, item.keys.map { |key| Store::Database.blob(key) }] }
          there =
            reading do
              rows(:feed_keys).where(feed_id: feed[:id], digest: keys.values.flatten).select_hash(:digest, :item_id)
            end
          old, fresh = items.partition { |item| keys[item].any? { |key| there.key?(key) } }
          more =
            old.flat_map do |item|
              id = keys[item].filter_map { |key| there[key] }.first
              keys[item].reject { |key| there.key?(key) }.map { |key| key_row(key, id) }
            end
          write { scope.db[:feed_keys].insert_conflict.multi_insert(more) } if more.any?
          fresh
        end

        # @return [Boolean] whether it is seen to: in, passed over, or another process has it
        def one(item)
          rule = Core::Feeds::FeedRule::USUAL.merge(feed[:rule].to_h)
          return passed(item) unless Core::Feeds::FeedRule.passes?(rule, item)

          media =
            item.media_id ||
              Media::PullPicture.call(environment, maker, address: item.picture, name: item.title[0, 120])
          scope.as_person { keep(item, feed[:makes], idea(item, rule, media)) }
          @changed = true
        rescue Store::Failures::Taken
          true # another process took it in the same moment
        rescue Core::Error => e
          @changed = true
          note(
            state: "nobody",
            said: "#{maker&.name || "Whoever set it up"} cannot do it any more: #{e.message}"[0, 500]
          )
          false
        end

        def passed(item)
          write { keep(item, "passed") }
          @changed = true
        end

        def maker
          @maker ||=
            begin
              row = reading { Store::People::Members.find(environment.db, feed[:made_by], member.workspace_id, now) }
              if row
                Member.from_row(row, from: "feed")
              else
                raise(Core::Refused.new("not_here", "they are no member here."))
              end
            end
        end

        # @return [String] its id
        def idea(item, rule, media)
          said = Core::Feeds::FeedRule.said(rule, item, workspace[:zone])
          said =
            said.merge("media_ids" => [media].compact, "channel_id" => feed[:channel_id], "group_id" => feed[:group_id])
          id = Ideas::SaveIdea.call(environment, maker, fields: said, came: "feed")[:id]
          Ideas::CreatePost.call(environment, maker, idea_id: id) if feed[:makes] == "draft"
          id
        end

        def keep(item, outcome, idea_id = nil)
          id = new_id
          row = {
            feed_id: feed[:id],
            id: id,
            title: item.title.to_s[0, 300],
            outcome: outcome,
            idea_id: idea_id,
            at: now
          }
          scope.insert(:feed_items, row)
          rows = item.keys.map { |key| key_row(Store::Database.blob(key), id) }
          # one key of two items of the same reading is the first one's
          if outcome == "before"
            scope.db[:feed_keys].insert_conflict.multi_insert(rows)
          else
            scope.db[:feed_keys].multi_insert(rows)
          end
        end

        def key_row(digest, item_id)
          { workspace_id: member.workspace_id, feed_id: feed[:id], digest: digest, item_id: item_id }
        end
      end
    end
  end
end
