# frozen_string_literal: true

module AskFirst
  module App
    module Media
      # Says something of a medium, wherever it is used: its name, its description, what is written on it, until when it
      # may be used, its folder and its labels. What posts have taken over of it stays as it is there.
      class UpdateMedium < LibraryAct
        opens :media, "add_media"

        LABELS = 20

        # @param fields [Hash] any of those of Core::Media::Facts, folder_id, labels (names)
        # @param version [Integer] that the writer saw
        # @return [Integer] its version after that
        # @raise [Core::Conflict] medium_changed, with what stands there
        def call(media_id:, fields:, version:)
          raise changed unless row[:version] == version

          facts = Core::Media::Facts.clean(fields.except("folder_id", "labels"))
          kept =
            facts.merge(
              fields.key?("folder_id") ? { folder_id: fields["folder_id"] && folder(fields["folder_id"]) } : {}
            )
          put_labels(fields["labels"]) if fields.key?("labels")
          keep(kept)
          record("medium_changed", facts: { id: media_id, name: kept[:name] || row[:name], said: fields.keys.sort })
          announce("media", ids: [])
          version + 1
        end

        private

        def keep(kept)
          # where a person says that words are, nothing is guessed any more
          kept = kept.merge(boxes: Store::Database.jsonb(kept[:boxes]), guess: Store::Database.jsonb([])) if kept.key?(
            :boxes
          )
          seen = rows(:media).where(id: row[:id], version: row[:version])
          raise changed if seen.update(**kept, version: Store::Database.one_more(:version)).zero?
        end

        def put_labels(given)
          clean =
            given
              .map { |name| Core::Posts::Text.line(name, field: "labels", limit: Core::Lengths::NAME) }
              .reject(&:empty?)
              .uniq
          raise too_many if clean.size > LABELS

          ids = Campaigns::NamedLabels.call(environment, member, names: clean)
          rows(:media_labels).where(media_id: row[:id]).delete
          scope.insert(:media_labels, *ids.map { |id| { media_id: row[:id], label_id: id } })
        end

        def too_many
          Core::TooMany.new(
            "A file has #{LABELS} labels at most.",
            of: "labels",
            field: "labels",
            way_on: "Take some away."
          )
        end

        def changed
          there = rows(:media).where(id: row[:id]).first
          Core::Changed.new(
            "medium_changed",
            "this file",
            field: "version",
            way_on: Core::Changed::KEPT,
            **there.slice(:name, :description, :written, :usable_note, :version)
          )
        end
      end
    end
  end
end
