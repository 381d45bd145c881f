# frozen_string_literal: true

require "json/canonicalization"

module AskFirst
  module Core
    module Record
      # A row of the record as the bytes that are sealed: canonical JSON (RFC 8785), with its salt, so that nobody can
      # guess a row from its hash.
      module Entry
        COLUMNS = %w[id at person_id pass_id process act post_id adaptation_id revision_id facts salt].freeze

        module_function

        # @param row [Hash] of the record; from_address is left out: it is nobody's business on a sheet
        # @return [String]
        def bytes(row)
          values = COLUMNS.to_h { |name| [name, value(name, row[name.to_sym])] }
          values.to_json_c14n
        end

        # @return [String] 32 bytes
        def leaf(row) = MerkleTree.leaf(bytes(row))

        def value(name, value)
          case name
          when "at"
            value.utc.strftime("%Y-%m-%dT%H:%M:%S.%6NZ")
          when "salt"
            value.unpack1("H*")
          when "facts"
            plain(value)
          else
            value
          end
        end

        # Numbers that JSON's own cannot hold are kept as words.
        def plain(value)
          case value
          when Hash
            value.to_h { |key, one| [key.to_s, plain(one)] }
          when Array
            value.map { |one| plain(one) }
          when Integer
            value.abs < (1 << 53) ? value : value.to_s
          else
            value
          end
        end
        private_class_method :value, :plain
      end
    end
  end
end
