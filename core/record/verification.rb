# frozen_string_literal: true

require "digest"
require "json"

module AskFirst
  module Core
    module Record
      # Whether a proof of the sealed record holds: each entry is in the tree, each content has its fingerprint, the
      # tree has grown from what somebody holds, and files are among those that were said yes to. SHA-256 alone.
      class Verification
        FORMAT = "Ask First, sealed record, 1: RFC 6962 with SHA-256"
        HASH = /\A[0-9a-f]{64}\z/

        # @param proof [Hash] parsed JSON of Record::Proof
        # @param held [Array(Integer, String), nil] size and root in hexadecimal digits, from the foot of a mail
        # @param digests [Hash{String=>String}] name of a file => its SHA-256 in hexadecimal digits
        def initialize(proof, held: nil, digests: {})
          @proof = proof
          @held = held
          @digests = digests
        end

        # @return [Array<String>] what is wrong, in sentences; empty when it holds
        # @raise [Invalid] not_a_proof
        def wrong
          raise KeyError unless whole?

          [*order, *entries, *contents, *grown, *files]
        rescue KeyError, TypeError, NoMethodError, JSON::ParserError
          raise Invalid.new(
                  "not_a_proof",
                  "This file is not what proves a sign-off sheet.",
                  way_on: "Take the JSON file that was made with the sheet."
                )
        end

        private

        def bytes(hex) = HASH.match?(hex) ? [hex].pack("H*") : raise(TypeError)

        # It has what a proof has; without an entry it proves nothing.
        def whole?
          @proof.fetch("format") == FORMAT && size.is_a?(Integer) && size.positive? && @proof.fetch("entries").any? &&
            @proof.fetch("entries").all? { |one| entry?(one) }
        end

        def entry?(one)
          said = JSON.parse(one.fetch("entry"))
          one.fetch("place").is_a?(Integer) && said.keys.sort == Entry::COLUMNS.sort && said["facts"].is_a?(Hash)
        end

        def order
          places = @proof.fetch("entries").map { |one| one.fetch("place") }
          places == places.uniq.sort ? [] : ["Entries come twice, or not in their order."]
        end

        def size = @proof.fetch("size")
        def root = bytes(@proof.fetch("root"))

        def entries
          @proof
            .fetch("entries")
            .reject { |one| in_tree?(one) }
            .map { |one| "Entry #{one.fetch("place")} is not in the record." }
        end

        def in_tree?(one)
          path = one.fetch("path").map { |hash| bytes(hash) }
          MerkleTree.included?(MerkleTree.leaf(one.fetch("entry")), one.fetch("place"), size, path, root)
        end

        def contents
          @proof
            .fetch("contents")
            .reject { |fingerprint, content| Digest::SHA256.hexdigest(content) == fingerprint }
            .map { |fingerprint, _| "What is said to have the fingerprint #{fingerprint} has another one." }
        end

        def grown
          return [] unless @held

          held_size, held_root = @held
          tops = [*@proof.fetch("earlier"), { "size" => size, "root" => @proof.fetch("root"), "path" => [] }]
          one = tops.find { |top| top.fetch("size") == held_size }
          path = one&.fetch("path")&.map { |hash| bytes(hash) }
          good =
            one && one.fetch("root") == held_root &&
              MerkleTree.consistent?(held_size, bytes(held_root), size, root, path)
          good ? [] : ["It has not grown from the #{held_size} entries that you hold."]
        end

        # Of contents that an entry of the record says yes to.
        def files
          said = @proof.fetch("entries").flat_map { |one| fingerprints(JSON.parse(one.fetch("entry"))) }
          media = @proof.fetch("contents").values_at(*said).compact.flat_map { |one| JSON.parse(one).fetch("media") }
          known = media.map { |file| file.fetch("digest") }
          @digests
            .reject { |_, digest| known.include?(digest) }
            .map { |name, _| "#{name} is none of the files that were said yes to." }
        end

        def fingerprints(entry)
          facts = entry.fetch("facts")
          yes = entry["act"] == "cleared_for" || (entry["act"] == "answered" && facts["verdict"] == "yes")
          yes ? Array(facts["fingerprints"]) : []
        end
      end
    end
  end
end
