# frozen_string_literal: true

module AskFirst
  module App
    module Ideas
      # What the acts on a client's ideas share.
      class IdeaAct < Act
        private

        # @return [Date] as the client's calendar has it
        def today = @today ||= Date.iso8601(Core::Plan::WallTime.at(now, workspace[:zone]).local_date)
        def board = @board ||= Store::Ideas::Board.new(scope, today)
        def card(found) = Card.json(found, names, today, workspace[:zone])

        # Ideas are told to the house alone, and not one by one.
        def broadcast = announce("ideas", ids: [])

        # One's place at the top of a group.
        # @return [Integer]
        def first_place(group_id) = (rows(:ideas).where(group_id: group_id).min(:place) || 1) - 1

        # @return [String, nil] id
        # @raise [Core::NotFound] for one that is not there (any more)
        def group(id)
          return if id.nil?
          raise Core::NotFound, "This group" unless Core::Uuid::FORMAT.match?(id.to_s)

          rows(:idea_groups).where(id: id).for_share.get(:id) or raise Core::NotFound, "This group"
        end

        # @return [String, nil] id of a channel that the member sees
        def channel(id)
          return if id.nil?

          found = Core::Uuid::FORMAT.match?(id.to_s) && rows(:channels).where(id: id, archived_at: nil).get(:id)
          unless found && (member.limited_to.nil? || member.limited_to.include?(id))
            raise Core::NotFound, "This channel"
          end

          found
        end

        def put_media(idea_id, ids)
          rows(:idea_media).where(idea_id: idea_id).delete if rows(:idea_media).where(idea_id: idea_id).any?
          seen = Store::Posts::Visible.media_of(scope, ids)
          raise no_such_file if seen.count < ids.size

          scope.insert(
            :idea_media,
            *ids.each_with_index.map { |id, place| { idea_id: idea_id, media_id: id, place: place } }
          )
        end

        def no_such_file
          Core::Invalid.new(
            "no_such_picture",
            "A file is not in this client's media.",
            field: "media_ids",
            way_on: "Upload it here."
          )
        end
      end
    end
  end
end
