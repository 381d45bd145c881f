# frozen_string_literal: true

module AskFirst
  module Core
    module Record
      # A Merkle tree with all its nodes at hand, for many proofs of one tree: built once, each path is as long as the
      # tree is high. The paths are those of MerkleTree.
      class MerkleLevels
        # @param leaves [Array<String>] hashes
        def initialize(leaves)
          @levels = [leaves]
          @levels << pairs(@levels.last) while @levels.last.size > 1
        end

        # @return [String] 32 bytes
        def root = @levels.last.first || MerkleTree::EMPTY

        # @param index [Integer]
        # @return [Array<String>] hashes, from the leaf's neighbour up
        def inclusion(index)
          at = index
          @levels[0...-1].filter_map do |level|
            beside = level[at ^ 1]
            at >>= 1
            beside
          end
        end

        private

        # One that has no neighbour goes up as it is.
        def pairs(level)
          level.each_slice(2).map { |left, right| right ? MerkleTree.node(left, right) : left }
        end
      end
    end
  end
end
