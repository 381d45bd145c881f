# frozen_string_literal: true

module AskFirst
  module App
    module Feeds
      # Sets a feed up, or changes what is made of it. A new one is read at once, so that its rule can be tried; nothing
      # of it comes in before it is begun. What comes in is made as whoever saved it last, and as far as they may.
      class SaveFeed < Ideas::IdeaAct
        opens :feed, "keep_feed"

        MOST = 50
        NAME = Core::Lengths::TITLE
        TAKE = (0..10)
        MAKES = %w[idea draft].freeze

        # @param fields [Hash] address or folder_id (of a new one), name, makes, rule, group_id, channel_id; begin: true
        #   with take: how many of those that are there already; paused: true or false
        # @param version [Integer] that the writer saw
        # @return [Hash] {id:, version:}
        # @raise [Core::Invalid] address_missing, bad_link, feed_there, bad_rule, too_many_feeds
        # @raise [Core::Conflict] feed_changed
        def call(fields:, feed_id: nil, version: 0)
          facts = clean(fields)
          id = scope.transaction(savepoint: true) { row ? change(facts, version) : add(facts, fields) }
          if row.nil? || facts[:begun_at] || fields["paused"] == false
            environment.queue.read_feed(member.workspace_id, id, at: now)
          end
          record(
            row ? "feed_changed" : "feed_added",
            facts: {
              name: facts[:name] || row[:name],
              said: fields.keys.sort
            }
          )
          broadcast
          { id: id, version: row ? version + 1 : 1 }
        rescue Store::Failures::Taken
          raise there
        end

        private

        def clean(fields)
          facts = {}
          facts[:name] = name(fields["name"]) if fields.key?("name")
          facts[:makes] = MAKES.include?(fields["makes"]) ? fields["makes"] : raise(bad_makes) if fields.key?("makes")
          facts[:rule] = Core::Feeds::FeedRule.clean(fields["rule"]) if fields.key?("rule")
          facts[:group_id] = group(fields["group_id"]) if fields.key?("group_id")
          facts[:channel_id] = channel(fields["channel_id"]) if fields.key?("channel_id")
          facts.merge(going(fields))
        end

        # Begun once; paused and going again as often as one likes.
        def going(fields)
          pace = {}
          pace.merge!(paused_at: fields["paused"] ? now : nil, next_at: now) if fields.key?("paused")
          if fields["begin"] && row && row[:begun_at].nil?
            pace.merge!(begun_at: now, take: fields.fetch("take", 0).to_i.clamp(TAKE), next_at: now)
          end
          pace
        end

        def add(facts, fields)
          raise too_many if rows(:feeds).count >= MOST

          from = source(fields)
          id = new_id
          facts[:name] ||= from[:named]
          by = { made_by: member.person_id, made_at: now, next_at: now + ReadFeeds::AGAIN }
          scope.insert(:feeds, { id: id, **stored(facts), **from.slice(:address, :folder_id), **by })
          id
        end

        def source(fields)
          if fields["folder_id"]
            id = fields["folder_id"].to_s
            found = Core::Uuid::FORMAT.match?(id) && rows(:media_folders).where(id: id).for_share.first
            raise Core::NotFound, "This folder" unless found

            return { folder_id: id, named: found[:name], address: nil }
          end
          address = Core::Posts::WebAddress.clean(fields["address"], field: "address") or raise no_address
          { address: address, named: URI.parse(address).host[0, NAME], folder_id: nil }
        end

        def change(facts, version)
          by = { made_by: member.person_id, version: version + 1 }
          done = rows(:feeds).where(id: row[:id], version: version).update(stored(facts).merge(by))
          raise changed if done.zero?

          row[:id]
        end

        def stored(facts) = facts.key?(:rule) ? facts.merge(rule: Store::Database.jsonb(facts[:rule])) : facts

        def name(value)
          text = Core::Posts::Text.line(value, field: "name", limit: NAME)
          text.empty? ? raise(invalid("name_missing", "A feed needs a name.", "name", "Give it one.")) : text
        end

        def bad_makes = invalid("bad_makes", "A feed makes ideas or drafts.", "makes", "Choose one.")
        def no_address =
          invalid("address_missing", "There is no address yet.", "address", "Write the feed's or the site's.")
        def too_many = invalid("too_many_feeds", "#{MOST} feeds are the most.", "address", "Take one away.")

        def there
          invalid("feed_there", "This is a feed here already.", "address", "Change that one.")
        end

        def invalid(code, sentence, field, way_on) = Core::Invalid.new(code, sentence, field: field, way_on: way_on)

        def changed
          Core::Changed.new("feed_changed", "this feed", field: "version", way_on: Core::Changed::KEPT)
        end
      end
    end
  end
end
