# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # The variants of a post that somebody is asked about: adaptations that differ only in their account are shown as
      # one, with what is different since the reader's own last answer.
      class ReviewVariants
        # @param scope [Store::Scope] of one workspace
        # @param person_id [String] the reader
        # @param shown [Array<Hash>] of Store::Signoff::AskedRows, of all lines of the ask
        def initialize(scope, person_id, shown)
          @scope = scope
          @since = SinceAnswer.new(scope, person_id, shown)
          @shown = shown
        end

        # Two adaptations are one variant only if their time and all but the account are equal.
        # @param rows [Array<Hash>] of one line
        # @return [Array<Hash>] JSON-ready
        def of(rows)
          rows
            .group_by do |row|
              [row[:request].except("account"), row[:wall], row[:zone], Core::Channels::Card.read(row[:card]).text.fold]
            end
            .values
            .map { |group| json(group) }
        end

        private

        def json(group)
          first = group.first
          text = first[:request]["text"]
          rule = Core::Channels::Card.read(first[:card]).text
          {
            channels: group.map { |row| { network: row[:network], initials: row[:initials], name: row[:channel] } },
            adaptation_ids: group.map { |row| row[:adaptation_id] },
            text: text,
            fold: rule.fold && Core::Checks::Counting.within(text, rule, rule.fold),
            wall: first[:wall]&.strftime("%Y-%m-%dT%H:%M"),
            zone: first[:zone],
            link: first[:request]["link"],
            beside: Posts::Beside.of(first[:request], first[:rendition_ids].to_a),
            since: since(group),
            pictures: first[:request]["media"].zip(first[:rendition_ids].to_a).map { |file, id| picture_json(file, id) }
          }
        end

        # Of channels that are one variant now and were two before, the one that is most different is told.
        def since(group)
          found = group.filter_map { |row| @since.of(row) }
          found.find { |one| !one[:same] } || found.first
        end

        # With its size as it will be sent, so that its place is kept while it loads.
        def picture_json(file, id)
          width, height, media_id = sizes.fetch(id)
          {
            id: id,
            media_id: media_id,
            kind: file.fetch("kind", "picture"),
            description: file["description"],
            width: width,
            height: height
          }
        end

        def sizes
          @sizes ||=
            @scope
              .rows(:renditions)
              .where(id: @shown.flat_map { |row| row[:rendition_ids].to_a }.uniq)
              .to_hash(:id, %i[width height media_id])
        end
      end
    end
  end
end
