# frozen_string_literal: true

module AskFirst
  module App
    class Door
      # Ideas of a client, and the groups that they stand in.
      module ToIdeas
        # An idea; without an id one that is new. Whoever is limited to channels finds those for their channels or for
        # none, and their own.
        # @param gone [Boolean] whether it is one that was thrown away
        def idea(input, gone: false)
          agency_only!("This idea")
          return new_idea if input[:idea_id].nil?

          row = find(:ideas, input[:idea_id], "This idea") { |ideas| seen_ideas(ideas, gone).for_update }
          require!(@act, on: touching(owners: [row[:given_by]], channel_ids: [row[:channel_id]].compact))
          Opened.new(row: row, channel_ids: [row[:channel_id]].compact)
        end

        # The same to look at.
        def idea_read(input)
          agency_only!("This idea")
          require!(@act)
          Opened.new(row: find(:ideas, input[:idea_id], "This idea") { |ideas| seen_ideas(ideas, false) })
        end

        # A group of ideas; without an id one that is new.
        def idea_group(input)
          agency_only!("This group")
          row = find(:idea_groups, input[:group_id], "This group", &:for_update) if input[:group_id]
          require!(@act)
          Opened.new(row: row)
        end

        # A feed that ideas come from; without an id one that is new.
        def feed(input)
          agency_only!("This feed")
          if input[:feed_id]
            row = find(:feeds, input[:feed_id], "This feed") { |feeds| Store::Posts::Visible.feeds(scope, feeds) }
          end
          require!(@act)
          Opened.new(row: row)
        end

        # What somebody of the client's side has given.
        def own_ideas(_input)
          raise Core::NotFound, "This page" unless member.side == "client"

          require!(@act)
          Opened.new
        end

        private

        def new_idea
          require!(@act, on: touching(owners: [member.person_id]))
          Opened.new
        end

        def seen_ideas(ideas, gone)
          there = gone ? Store::Database.present(:dropped_at) : { dropped_at: nil }
          Store::Posts::Visible.ideas(scope, ideas.where(there))
        end
      end
    end
  end
end
