# frozen_string_literal: true

module AskFirst
  module Store
    module Record
      # The sealed record of one client: which rows have their place, and the tops that were noted.
      class Tree
        # A row that is numbered later than others by so much is not waited for any more by those that look for what
        # has no place yet: numbers are given in order, and no transaction is open while so many are.
        APART = 200_000
        MOST = 5_000 # rows that get their places in one transaction
        # The row of a transaction that this server has not come to was written in another one, and brought here with
        # the whole database: it is older than all that run.
        WITHOUT = <<~SQL.freeze
          SELECT r.* FROM record r, pg_current_snapshot() AS here
          WHERE r.workspace_id = :w AND r.order_no > :after
            AND (r.tx < pg_snapshot_xmin(here) OR r.tx >= pg_snapshot_xmax(here))
            AND NOT EXISTS (SELECT FROM record_leaves l WHERE (l.workspace_id, l.record_id) = (r.workspace_id, r.id))
          ORDER BY r.order_no LIMIT #{MOST}
        SQL
        private_constant :WITHOUT

        # @param scope [Scope] of one workspace
        def initialize(scope)
          @scope = scope
        end

        # @return [Hash, nil] the newest top: :size, :root, :peaks, :upto, :at
        def top
          @scope.rows(:record_tops).order(Sequel.desc(:size)).first
        end

        # @return [Array<Hash>] rows of the record that are older than every running transaction and have no place
        def without_place(top)
          after = top ? top[:upto] - APART : 0
          @scope.db.fetch(WITHOUT, w: @scope.workspace_id, after: after).all
        end

        # @param rows [Array<Hash>] in their order
        # @return [Hash] the new top
        def grow(top, rows, now)
          peaks = top ? Core::Record::MerklePeaks.new(top[:size], peaks_of(top)) : Core::Record::MerklePeaks.new
          leaves =
            rows.each_with_index.map do |row, index|
              hash = Core::Record::Entry.leaf(row)
              peaks = peaks.add(hash)
              { position: (top ? top[:size] : 0) + index, record_id: row[:id], hash: Sequel.blob(hash) }
            end
          @scope.insert(:record_leaves, *leaves)
          new_top(peaks, [rows.last[:order_no], top ? top[:upto] : 0].max, now)
        end

        # @return [Array<String>] hashes of the first leaves, in their order
        def leaves(size)
          @scope.rows(:record_leaves).where { position < size }.order(:position).select_map(:hash)
        end

        # @param ids [Array<String>] of rows
        # @return [Hash{String=>Hash}] :position and :hash of those that have their place
        def leaves_of(ids)
          @scope.rows(:record_leaves).where(record_id: ids).to_hash(:record_id)
        end

        # @param ids [Array<String>] of rows
        # @return [Hash{String=>Integer}] their places
        def places(ids)
          @scope.rows(:record_leaves).where(record_id: ids).select_hash(:record_id, :position)
        end

        private

        def peaks_of(top) = top[:peaks].unpack("a32" * (top[:peaks].bytesize / 32))

        def new_top(peaks, upto, now)
          row = {
            size: peaks.size,
            root: Sequel.blob(peaks.root),
            peaks: Sequel.blob(peaks.peaks.join),
            upto: upto,
            at: now
          }
          @scope.insert(:record_tops, row)
          row
        end
      end
    end
  end
end
