# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Makes a post say again what an earlier revision said, and keeps that as a new revision. Its time stays as it
      # is; channels that were taken off since stay off.
      class TakeRevisionBack < PartWrite
        stepwise
        # which any kind of writing opens; each part is judged again below
        opens :post, "write:descriptions", stand: true

        # @param number [Integer]
        # @return [Integer] number of the new revision; that of the newest where nothing was different
        def call(post_id:, number:)
          write do
            enter
            put_back(number)
          end
          Media::Render.call(environment, member, post_ids: [post_id])
          write do
            enter
            CreateRevision.call(environment, member, post: post)
          end[
            :number
          ]
        end

        private

        def put_back(number)
          revision = rows(:revisions).where(post_id: post.id, number: number).first or
            raise Core::NotFound, "This revision"
          raise too_old(number) if revision[:master].nil?

          kept = rows(:revision_adaptations).where(revision_id: revision[:id]).to_hash(:channel_id)
          authors = kept.values.flat_map { |row| row[:authors].to_a }.uniq
          changed = differences(revision, kept)
          changed.each { |channel_id, part, value| put(channel_id, part, value, authors) }
          record(
            "revision_taken_back",
            post_id: post.id,
            revision_id: revision[:id],
            facts: {
              number: number,
              parts: changed.map { |_, part, _| part }.uniq
            }
          )
          refresh_stage([post.id])
        end

        # @return [Array<Array(String, String, Object)>] channel (nil: the master), part, value (:follow where it was
        # none of its own)
        def differences(revision, kept)
          live = post.part_rows.to_h { |row| [[row[:channel_id], row[:part]], row[:value]] }
          [
            [nil, revision[:master]],
            *post.adaptations.map { |one| [one.row[:channel_id], kept[one.row[:channel_id]]&.fetch(:own)] }
          ].flat_map do |channel_id, then_|
            next [] if then_.nil?

            (Core::Posts::Parts::ALL - ["time"]).filter_map do |part|
              now_ = live.fetch([channel_id, part], :follow)
              was = then_.to_h.fetch(part, :follow)
              [channel_id, part, was] unless now_ == was
            end
          end
        end

        def put(channel_id, part, value, authors)
          require_write!(channel_id, part)
          value = Core::Posts::Parts::NOTHING.fetch(part) if value == :follow && channel_id.nil?
          return write_part(channel_id, part, value, authors: authors) unless value == :follow

          rows(:parts).where(post_id: post.id, channel_id: channel_id, part: part).delete
          record_part(channel_id, part, post.part(channel_id, part), nil)
        end

        def too_old(number)
          Core::Conflict.new(
            "revision_without_parts",
            "Revision #{number} was kept before parts were kept with it.",
            field: "number",
            way_on: "Compare it with the newest one and copy what you want."
          )
        end
      end
    end
  end
end
