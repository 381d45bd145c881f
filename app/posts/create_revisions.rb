# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Keeps immutable snapshots of what would go out, of one post or of many of one client. Unchanged content makes
      # no new one.
      # Called inside a transaction that holds the posts' locks.
      class CreateRevisions < Act
        inside

        # @param posts [Array<Store::Posts::PostState::Post>] just loaded
        # @return [Hash{String=>Hash}] post id => {id:, number:, adaptations: {adaptation id => revision adaptation id}}
        def call(posts:)
          raise not_rendered if posts.flat_map(&:adaptations).any? { |adaptation| adaptation.fingerprint.nil? }

          last = Store::Posts::LastRevisions.of(scope, posts.map(&:id))
          same, changed = posts.partition { |post| same?(post, last[post.id]) }
          same.to_h { |post| [post.id, kept(last.fetch(post.id))] }.merge(keep_all(changed, last))
        end

        private

        def not_rendered
          Core::Conflict.new(
            "pictures_changed",
            "The pictures were changed while this was being prepared.",
            field: "media",
            way_on: "Look again and repeat."
          )
        end

        def same?(post, last)
          return false if last.nil?

          facts = ->(id, fingerprint, time) { [id, fingerprint, time&.text, time&.zone] }
          before =
            last[:adaptations].map do |row|
              facts.call(
                row[:adaptation_id],
                row[:fingerprint],
                row[:wall] && Core::Plan::WallTime.new(row[:wall], row[:zone])
              )
            end
          before.sort_by(&:first) ==
            post.adaptations.map { |one| facts.call(one.id, one.fingerprint, one.time) }.sort_by(&:first)
        end

        def kept(revision)
          revision.slice(:id, :number).merge(
            adaptations: revision[:adaptations].to_h { |row| row.values_at(:adaptation_id, :id) }
          )
        end

        def keep_all(posts, last)
          made = posts.to_h { |post| [post, { id: new_id, number: (last[post.id] ? last[post.id][:number] : 0) + 1 }] }
          snapshots =
            made.to_h { |post, revision| [post, post.adaptations.map { |one| snapshot(post, revision[:id], one) }] }
          scope.insert(:revisions, *made.map { |post, revision| revision_row(post, revision) })
          scope.insert(:revision_adaptations, *snapshots.values.flatten)
          said =
            made.map do |post, revision|
              {
                act: "revision_kept",
                post_id: post.id,
                revision_id: revision[:id],
                facts: {
                  number: revision[:number]
                }
              }
            end
          Store::Record::Rows.add_all(scope, now: now, who: member.on_record, rows: said)
          made.to_h { |post, revision| [post.id, kept(revision.merge(adaptations: snapshots.fetch(post)))] }
        end

        def revision_row(post, revision)
          master = post.part_rows.select { |row| row[:channel_id].nil? }.to_h { |row| row.values_at(:part, :value) }
          revision.merge(
            post_id: post.id,
            kept_by: member.person_id,
            kept_at: now,
            master: Store::Database.jsonb(master)
          )
        end

        def snapshot(post, revision_id, adaptation)
          {
            id: new_id,
            revision_id: revision_id,
            post_id: post.id,
            adaptation_id: adaptation.id,
            channel_id: adaptation.row[:channel_id],
            request: Store::Database.jsonb(adaptation.request),
            fingerprint: adaptation.fingerprint,
            wall: adaptation.time&.wall,
            zone: adaptation.time ? adaptation.time.zone : member.zone,
            own: Store::Database.jsonb(adaptation.own),
            authors: Store::Database.uuids(adaptation.authors),
            rendition_ids: Store::Database.uuids(adaptation.pictures.map { |picture| picture[:rendition_id] })
          }
        end
      end
    end
  end
end
