# frozen_string_literal: true

module AskFirst
  module App
    module Signoff
      # Why something was decided beside the answers. It stays on record.
      module Reason
        LIMIT = Core::Lengths::REASON

        module_function

        # @param without [String] the sentence where there is none
        # @return [String]
        # @raise [Core::Invalid] words_needed
        def clean(reason, without)
          why = Core::Posts::Text.clean(reason.to_s, field: "reason", limit: LIMIT).strip
          return why unless why.empty?

          raise Core::Invalid.new("words_needed", without, field: "reason", way_on: "Say why; it stays on record.")
        end
      end
    end
  end
end
