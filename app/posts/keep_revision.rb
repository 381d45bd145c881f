# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Keeps an immutable snapshot of what would go out. Unchanged content makes no new one. Called inside a transaction
      # that holds the post's gate.
      class KeepRevision < Act
        inside

        # @param post [Store::Posts::Standing::Post] just loaded
        # @return [Hash] {id:, number:, adaptations: {adaptation id => revision adaptation id}}
        def call(post:)
          unrendered = post.adaptations.select { |adaptation| adaptation.fingerprint.nil? }
          raise not_rendered if unrendered.any?

          same_as_last(post) || keep(post)
        end

        private

        def not_rendered
          Core::Conflict.new("pictures_changed", "The pictures were changed while this was being prepared.", field: "media",
            way_on: "Look again and repeat.")
        end

        def same_as_last(post)
          last = rows(:revisions).where(post_id: post.id).order(:number).last or return
          kept = rows(:revision_adaptations).where(revision_id: last[:id]).all
          facts = ->(id, fingerprint, time) { [id, fingerprint, time&.text, time&.zone] }
          then_ = kept.map { |row| facts.call(row[:adaptation_id], row[:fingerprint], row[:wall] && Core::Plan::WallTime.new(row[:wall], row[:zone])) }
          now_ = post.adaptations.map { |adaptation| facts.call(adaptation.id, adaptation.fingerprint, adaptation.time) }
          return unless then_.sort_by(&:first) == now_.sort_by(&:first)

          { id: last[:id], number: last[:number], adaptations: kept.to_h { |row| [row[:adaptation_id], row[:id]] } }
        end

        def keep(post)
          number = (rows(:revisions).where(post_id: post.id).max(:number) || 0) + 1
          id = new_id
          scope.insert(:revisions, { id: id, post_id: post.id, number: number, kept_by: member.person_id, kept_at: now,
                                     master: Store::Database.jsonb(master_of(post)) })
          kept = post.adaptations.map { |adaptation| snapshot(post, id, adaptation) }
          scope.insert(:revision_adaptations, *kept)
          record("revision_kept", post_id: post.id, revision_id: id, facts: { number: number })
          { id: id, number: number, adaptations: kept.to_h { |row| [row[:adaptation_id], row[:id]] } }
        end

        def master_of(post)
          post.part_rows.select { |row| row[:channel_id].nil? }.to_h { |row| row.values_at(:part, :value) }
        end

        def snapshot(post, revision_id, adaptation)
          {
            id: new_id, revision_id: revision_id, post_id: post.id, adaptation_id: adaptation.id, channel_id: adaptation.row[:channel_id],
            request: Store::Database.jsonb(adaptation.request), fingerprint: adaptation.fingerprint,
            wall: adaptation.time&.wall, zone: adaptation.time ? adaptation.time.zone : member.zone,
            own: Store::Database.jsonb(adaptation.own), authors: Store::Database.uuids(adaptation.authors),
            rendition_ids: Store::Database.uuids(adaptation.pictures.map { |picture| picture[:rendition_id] })
          }
        end
      end
    end
  end
end
