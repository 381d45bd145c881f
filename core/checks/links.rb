# frozen_string_literal: true

require "uri"

module AskFirst
  module Core
    module Checks
      # Finds links in a text: a run from http:// or https:// to white space, less trailing punctuation and unbalanced
      # closing brackets, whose host is there.
      module Links
        RUN = %r{https?://[^\s<>"]+}i
        TRAILING = /[.,;:!?'”’»…]+\z/
        PAIRS = { ")" => "(", "]" => "[", "}" => "{" }.freeze

        module_function

        # @return [Array<Array(Integer, Integer)>] start and length, in code points
        def find(text)
          found = []
          text.scan(RUN) do
            match = Regexp.last_match
            address = trim(match[0])
            found << [match.begin(0), address.length] if address.match?(%r{\Ahttps?://[^/?#.\s][^/?#\s]*}i)
          end
          found
        end

        def trim(address)
          loop do
            shorter = address.sub(TRAILING, "")
            last = shorter[-1]
            shorter = shorter[0...-1] if PAIRS.key?(last) && shorter.count(last) > shorter.count(PAIRS[last])
            return address if shorter == address

            address = shorter
          end
        end
      end
    end
  end
end
