# frozen_string_literal: true

module AskFirst
  module App
    module Record
      # What proves rows of a client's record to somebody who has nothing but SHA-256: the bytes of each, its place, the
      # path from it to the root, and that the tree grew from the smaller ones that stood in mails.
      class Proof
        TOPS = 100 # that were noted before, the newest

        # @param scope [Store::Scope] of one workspace, inside a transaction
        # @param record_ids [Array<String>]
        # @param fingerprints [Array<String>] of contents that go with it
        # @return [Hash] JSON-ready
        def self.of(scope, record_ids, fingerprints) = new(scope, record_ids, fingerprints).to_h

        def initialize(scope, record_ids, fingerprints)
          @scope = scope
          @ids = record_ids
          @fingerprints = fingerprints
          @tree = Store::Record::Tree.new(scope)
          @top = @tree.top
        end

        def to_h
          {
            format: Core::Record::Verification::FORMAT,
            client: workspace[:name],
            zone: workspace[:zone],
            size: @top ? @top[:size] : 0,
            root: hex(@top ? @top[:root] : Core::Record::MerkleTree::EMPTY),
            entries: entries,
            contents: contents,
            names: names,
            earlier: earlier
          }
        end

        private

        def workspace = @workspace ||= @scope.db[:workspaces].where(id: @scope.workspace_id).first
        def hex(bytes) = bytes.unpack1("H*")
        def channels = @channels ||= Facts.names(@scope)
        def leaves = @leaves ||= @top ? @tree.leaves(@top[:size]) : []

        def entries
          levels = Core::Record::MerkleLevels.new(leaves)
          rows.map do |row|
            place = places.fetch(row[:id])
            {
              place: place,
              entry: Core::Record::Entry.bytes(row),
              path: levels.inclusion(place).map { |hash| hex(hash) }
            }
          end
        end

        def places = @places ||= @tree.places(@ids)

        # What its reader sees whole, in the order of the record.
        def rows
          @rows ||=
            @scope
              .rows(:record)
              .where(id: places.keys)
              .all
              .select { |row| Facts.whole?(row, channels) }
              .sort_by { |row| places.fetch(row[:id]) }
        end

        # Who the entries speak of, for the eye: the entries themselves name people by number alone.
        def names
          people = rows.flat_map { |row| [row[:person_id], row[:facts]["person_id"]] }.compact.uniq
          @scope.db[:people].where(id: people).select_hash(:id, :name)
        end

        # What was said yes to, as the bytes whose SHA-256 is the fingerprint: with the digest of each file in it.
        def contents
          @scope
            .rows(:revision_adaptations)
            .where(fingerprint: @fingerprints.uniq)
            .select_hash(:fingerprint, :request)
            .transform_values { |request| Core::Posts::Fingerprint.canonical(request) }
        end

        def earlier
          return [] unless @top

          @scope
            .rows(:record_tops)
            .where(size: ...@top[:size])
            .reverse(:size)
            .limit(TOPS)
            .map do |top|
              path = Core::Record::MerkleTree.consistency(top[:size], leaves)
              { size: top[:size], root: hex(top[:root]), path: path.map { |hash| hex(hash) } }
            end
        end
      end
    end
  end
end
