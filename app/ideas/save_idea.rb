# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # Keeps an idea: a new one, or what is said of one that is there, compared with the version that the writer saw.
      class SaveIdea < IdeaAct
        opens :idea, "keep_idea"

        # @param fields [Hash] any of those of Core::Ideas::Idea, group_id, channel_id; a new one without a title is
        #   named by its note
        # @param idea_id [String, nil] nil for a new one
        # @param version [Integer] that the writer saw
        # @param came [String] where a new one came in
        # @return [Hash] {id:, version:}
        # @raise [Core::Invalid, Core::NotFound, Core::Conflict] idea_changed
        def call(fields:, idea_id: nil, version: 0, came: "hand")
          fields = titled(fields) unless row
          facts = Core::Ideas::Idea.clean(fields.except("group_id", "channel_id"))
          facts[:group_id] = group(fields["group_id"]) if fields.key?("group_id")
          facts[:channel_id] = channel(fields["channel_id"]) if fields.key?("channel_id")
          media = facts.delete(:media_ids)
          id = row ? change(facts, version) : add(facts, came)
          put_media(id, media) if media
          record(row ? "idea_changed" : "idea_kept", facts: { id: id, title: facts[:title] || row[:title] })
          broadcast
          { id: id, version: row ? version + 1 : 1 }
        end

        private

        def titled(fields)
          if fields["title"].to_s.strip.empty?
            fields.merge("title" => Core::Ideas::Idea.title_of(fields["note"]))
          else
            fields
          end
        end

        def add(facts, came)
          id = new_id
          by = { came: came, side: "agency", given_by: member.person_id, given_at: now }
          scope.insert(:ideas, stored(facts).merge(id: id, place: first_place(facts[:group_id]), **by))
          id
        end

        def change(facts, version)
          facts[:place] = first_place(facts[:group_id]) if facts.key?(:group_id) && facts[:group_id] != row[:group_id]
          seen = rows(:ideas).where(id: row[:id], version: version)
          raise changed if seen.update(stored(facts).merge(version: version + 1)).zero?

          row[:id]
        end

        def stored(facts)
          facts.key?(:keywords) ? facts.merge(keywords: Store::Database.jsonb(facts[:keywords])) : facts
        end

        def changed
          Core::Changed.new(
            "idea_changed",
            "this idea",
            field: "version",
            way_on: Core::Changed::KEPT,
            **row.slice(:title, :note, :version)
          )
        end
      end
    end
  end
end
