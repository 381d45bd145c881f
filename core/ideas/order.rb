# frozen_string_literal: true

module AskFirst
  module Core
    module Ideas
      # Places in a row that people put into their own order.
      module Order
        module_function

        # @param ids [Array<String>] as they stand
        # @param moved [String] there or from elsewhere
        # @param before [String, nil] the one that it shall stand before; nil, or one that is gone: last
        # @return [Array<String>]
        def move(ids, moved, before)
          rest = ids - [moved]
          at = rest.index(before) || rest.size
          rest.insert(at, moved)
        end
      end
    end
  end
end
