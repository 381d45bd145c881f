# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # The revisions of a post, newest first, with why each was kept; and any two beside each other.
      class Revisions < Act
        reads :post, "see_post", lock: false

        # @param from [Integer, nil] number of the earlier revision
        # @param to [Integer, nil]
        # @return [Hash] JSON-ready {revisions:, compared: nil or {from:, to:, adaptations:}}
        def call(post_id:, from: nil, to: nil)
          kept = rows(:revisions).where(post_id: post_id).reverse(:number).all
          {
            revisions: kept.map { |row| json(row, reasons(post_id)) },
            compared: from && to ? compare(found(kept, from), found(kept, to)) : nil
          }
        end

        private

        REASONS = { "asked" => "asked", "released" => "released", "marked_ready" => "marked ready" }.freeze
        private_constant :REASONS

        def json(row, reasons)
          {
            number: row[:number],
            by: row[:kept_by] ? names[row[:kept_by]] : "its route, by itself",
            at: row[:kept_at].iso8601,
            for: reasons.fetch(row[:id], []).uniq
          }
        end

        # What was done with each revision, out of the record.
        def reasons(post_id)
          @reasons ||=
            rows(:record)
              .where(post_id: post_id, act: REASONS.keys)
              .exclude(revision_id: nil)
              .order(:order_no)
              .select_hash_groups(:revision_id, :act)
              .transform_values { |acts| acts.map { |act| REASONS.fetch(act) } }
        end

        def found(kept, number)
          kept.find { |row| row[:number] == number } or raise Core::NotFound, "This revision"
        end

        def compare(before, after)
          before, after = [before, after].sort_by { |row| row[:number] }
          one = adaptations(before)
          other = adaptations(after)
          pairs =
            channels.filter_map do |channel|
              [channel, one[channel[:id]], other[channel[:id]]] if one[channel[:id]] || other[channel[:id]]
            end
          {
            from: before[:number],
            to: after[:number],
            adaptations: pairs.map { |channel, earlier, later| pair(channel, earlier, later) }
          }
        end

        # On the reader's channels, in their order, archived ones too.
        def channels
          list = rows(:channels).order(:position)
          list = list.where(id: member.limited_to) if member.limited_to
          list.select(:id, :name, :network, :initials).all
        end

        def adaptations(revision)
          rows(:revision_adaptations).where(revision_id: revision[:id]).to_hash(:channel_id)
        end

        def pair(channel, earlier, later)
          diff = Core::Posts::RevisionDiff.call(kept(earlier), kept(later))
          diff.merge(
            channel: channel,
            text: diff[:text].map(&:to_h),
            media: {
              changed: diff[:media][:changed],
              before: pictures(earlier),
              after: pictures(later)
            }
          )
        end

        def kept(row)
          row &&
            Core::Posts::RevisionDiff::Kept.new(
              request: row[:request],
              fingerprint: row[:fingerprint],
              time: row[:wall] && Core::Plan::WallTime.new(row[:wall], row[:zone])
            )
        end

        def pictures(row)
          if row
            row[:request]["media"]
              .zip(row[:rendition_ids].to_a)
              .map { |file, id| { id: id, kind: file.fetch("kind", "picture"), description: file["description"] } }
          else
            []
          end
        end
      end
    end
  end
end
