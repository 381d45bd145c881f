# frozen_string_literal: true

require "digest"

module AskFirst
  module Store
    module Checks
      # What was found at the end of a client's links, one row an address.
      module LinkLooks
        module_function

        # @return [Hash{String=>Hash}] address => {state:, note:, looked_at:}
        def of(scope, addresses)
          return {} if addresses.empty?

          scope.rows(:link_looks).where(digest: addresses.map { |address| digest(address) }).to_hash(:address)
        end

        def keep(scope, address, state, note, now)
          row = {
            workspace_id: scope.workspace_id,
            digest: digest(address),
            address: address,
            looked_at: now,
            state: state,
            note: note
          }
          scope.db[:link_looks].insert_conflict(
            target: %i[workspace_id digest],
            update: row.slice(:looked_at, :state, :note)
          ).insert(row)
        end

        def digest(address)
          Digest::SHA256.hexdigest(address)
        end
      end
    end
  end
end
