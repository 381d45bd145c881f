# frozen_string_literal: true

module AskFirst
  module Core
    module Record
      # The whole trees that a Merkle tree is made of, from the left, the largest first: as much as is needed to go on
      # with it. Twenty hashes stand for a million leaves.
      class MerklePeaks
        attr_reader :size, :peaks

        # @param size [Integer] leaves
        # @param peaks [Array<String>] roots of the whole trees
        def initialize(size = 0, peaks = [])
          @size = size
          @peaks = peaks
        end

        # @param leaf [String] hash
        # @return [MerklePeaks] with one leaf more
        def add(leaf)
          peaks = @peaks.dup
          hash = leaf
          # as many whole trees of its size come together as the number of leaves ends with ones
          size = @size
          while size.odd?
            hash = MerkleTree.node(peaks.pop, hash)
            size >>= 1
          end
          MerklePeaks.new(@size + 1, peaks << hash)
        end

        # @return [String] root of the whole
        def root
          return MerkleTree::EMPTY if peaks.empty?

          peaks[0...-1].reverse.reduce(peaks.last) { |so_far, peak| MerkleTree.node(peak, so_far) }
        end
      end
    end
  end
end
