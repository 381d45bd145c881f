# frozen_string_literal: true

require "digest"

module AskFirst
  module Core
    module Record
      # A growing Merkle tree over leaves, with proofs that a leaf is in it and that a larger tree only adds to a
      # smaller one. Source: RFC 6962, "Certificate Transparency", section 2.1; proofs are checked as its successor RFC
      # 9162, sections 2.1.3.2 and 2.1.4.2, writes them out. SHA-256 alone: a leaf is hashed behind the byte 0, a node
      # behind the byte 1.
      module MerkleTree
        EMPTY = Digest::SHA256.digest("").freeze

        module_function

        # @param bytes [String]
        # @return [String] 32 bytes
        def leaf(bytes) = Digest::SHA256.digest("\x00".b + bytes.b)
        def node(left, right) = Digest::SHA256.digest("\x01".b + left + right)

        # @param leaves [Array<String>] hashes of leaves
        # @return [String] 32 bytes
        def root(leaves)
          return EMPTY if leaves.empty?
          return leaves.first if leaves.size == 1

          split = split(leaves.size)
          node(root(leaves[0...split]), root(leaves[split..]))
        end

        # That a leaf is in the tree over all of them.
        # @param index [Integer]
        # @return [Array<String>] hashes, from the leaf's neighbour up
        def inclusion(index, leaves)
          return [] if leaves.size <= 1

          split = split(leaves.size)
          if index < split
            inclusion(index, leaves[0...split]) << root(leaves[split..])
          else
            inclusion(index - split, leaves[split..]) << root(leaves[0...split])
          end
        end

        # @return [Boolean]
        def included?(leaf, index, size, path, root)
          return false unless index.between?(0, size - 1)

          at = index
          last = size - 1
          hash =
            path.reduce(leaf) do |so_far, one|
              return false if last.zero?

              if at.odd? || at == last
                so_far = node(one, so_far)
                until at.odd? || at.zero?
                  at >>= 1
                  last >>= 1
                end
              else
                so_far = node(so_far, one)
              end
              at >>= 1
              last >>= 1
              so_far
            end
          last.zero? && hash == root
        end

        # That the tree over all leaves only adds to the tree over the first of them.
        # @param size [Integer] of the smaller one
        # @return [Array<String>] hashes
        def consistency(size, leaves)
          size.between?(1, leaves.size - 1) ? subproof(size, leaves, true) : []
        end

        # @return [Boolean]
        def consistent?(size, root, larger, larger_root, path)
          return root == larger_root && path.empty? if size == larger
          return false unless size.between?(1, larger - 1)

          # a whole tree is its own first node
          path = [root, *path] if size.nobits?(size - 1)
          grown?(size - 1, larger - 1, path, root, larger_root)
        end

        def split(size) = 1 << ((size - 1).bit_length - 1)

        def subproof(size, leaves, whole)
          return whole ? [] : [root(leaves)] if size == leaves.size

          split = split(leaves.size)
          return subproof(size, leaves[0...split], whole) << root(leaves[split..]) if size <= split

          subproof(size - split, leaves[split..], false) << root(leaves[0...split])
        end

        def grown?(at, last, path, root, larger_root)
          return false if path.empty?

          while at.odd?
            at >>= 1
            last >>= 1
          end
          small = large = path.first
          path
            .drop(1)
            .each do |one|
              return false if last.zero?

              if at.odd? || at == last
                small = node(one, small)
                large = node(one, large)
                until at.odd? || at.zero?
                  at >>= 1
                  last >>= 1
                end
              else
                large = node(large, one)
              end
              at >>= 1
              last >>= 1
            end
          last.zero? && small == root && large == larger_root
        end
        private_class_method :split, :subproof, :grown?
      end
    end
  end
end
