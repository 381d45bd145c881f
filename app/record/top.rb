# frozen_string_literal: true

module AskFirst
  module App
    module Record
      # The size and root of a client's sealed record, as it stands at the foot of mails and sheets: so that somebody
      # outside holds them.
      module Top
        module_function

        # @param scope [Store::Scope] of one workspace, inside a transaction
        # @return [Hash, nil] {size:, root:} with the root in hexadecimal digits
        def of(scope)
          top = Store::Record::Tree.new(scope).top or return
          { size: top[:size], root: top[:root].unpack1("H*") }
        end

        # @return [String] for the foot of a mail; empty where nothing is sealed yet
        def words(scope)
          top = of(scope)
          top ? "Our record of what was said: #{top[:size]} entries, sealed as #{top[:root]}." : ""
        end
      end
    end
  end
end
