# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # What a sign-off sheet needs of many posts beside their verdicts, read once: answers, rulings, steps, revisions,
      # the contents that were asked about, and where each stands in the record.
      class SheetBeside
        # @param scope [Store::Scope] of one workspace
        # @param post_ids [Array<String>]
        def initialize(scope, post_ids)
          @scope = scope
          @ids = post_ids
        end

        # @return [Array<Hash>] rows, in the order in which they were given
        def answers(adaptation_id) = (@answers ||= by_adaptation(:answers)).fetch(adaptation_id, [])
        def rulings(adaptation_id) = (@rulings ||= by_adaptation(:rulings)).fetch(adaptation_id, [])
        def step(id) = (@steps ||= @scope.rows(:route_steps).to_hash(:id)).fetch(id)

        # @return [Integer, nil] number of the revision that a line asked about
        def revision(line_id)
          @revisions ||= Store::Signoff::Sheets.revisions(@scope, @ids)
          @revisions[line_id]
        end

        # @return [Hash, nil] the content with this fingerprint, as it was asked about (row of Store::Signoff::AskedRows)
        def content(adaptation_id, fingerprint)
          @contents ||= Store::Signoff::AskedRows.of(@scope, lines).to_h { |row| [about(row), row] }
          @contents[[adaptation_id, fingerprint]]
        end

        NOT_KEPT = "not in the record"
        NOT_YET = "not sealed yet"

        # Where the record says the same as an answer.
        # @param row [Hash] of answers
        # @return [Hash] "place" in the sealed record, nil where it has none; "record" in words; :record_id
        def answered(row)
          recorded(row, row[:given_by], row[:given_at]) { |entry| Core::Signoff::OnRecord.answer?(entry, row) }
        end

        # @param row [Hash] of rulings
        def ruled(row)
          recorded(row, row[:ruled_by], row[:ruled_at]) { |entry| Core::Signoff::OnRecord.ruling?(entry, row) }
        end

        private

        def lines = @scope.rows(:ask_lines).where(post_id: @ids).select_map(:id)
        def about(row) = row.values_at(:adaptation_id, :fingerprint)

        # An entry that was changed after it was sealed is none any more, and each speaks for one row of a channel.
        def recorded(row, by, at, &same)
          entry =
            entries
              .fetch([row[:post_id], by, at], [])
              .find { |one| same.call(one) && sound?(one) && taken.add?([one[:id], row[:adaptation_id]]) }
          return { "place" => nil, "record" => NOT_KEPT, :record_id => nil } unless entry

          place = leaves.dig(entry[:id], :position)
          { "place" => place, "record" => place ? "entry #{place}" : NOT_YET, :record_id => entry[:id] }
        end

        def taken = @taken ||= Set.new

        def sound?(entry)
          leaf = leaves[entry[:id]]
          leaf.nil? || leaf[:hash] == Core::Record::Entry.leaf(entry)
        end

        def by_adaptation(table)
          @scope.rows(table).where(post_id: @ids).order(:order_no).all.group_by { |row| row[:adaptation_id] }
        end

        # What one person did to one post at one moment.
        def entries
          @entries ||=
            @scope
              .rows(:record)
              .where(post_id: @ids, act: Core::Signoff::OnRecord::ACTS)
              .order(:order_no)
              .all
              .group_by { |row| row.values_at(:post_id, :person_id, :at) }
        end

        def leaves
          @leaves ||= Store::Record::Tree.new(@scope).leaves_of(entries.values.flatten.map { |row| row[:id] })
        end
      end
    end
  end
end
