# frozen_string_literal: true

require "yaml"

module AskFirst
  module Web
    # The description of the API (OpenAPI 3.0), one file for each capability, put together. Each file is a part of the
    # whole: nothing may be said twice.
    module OpenApi
      FILES = File.expand_path("openapi/*.yaml", __dir__)

      module_function

      # @return [Hash] the whole document
      # @raise [ArgumentError] when two files say the same thing
      def document
        Dir[FILES]
          .map { |file| YAML.safe_load_file(file, aliases: true) }
          .reduce({}) { |all, part| join(all, part, []) }
      end

      def join(one, other, at)
        one.merge(other) do |key, mine, theirs|
          next join(mine, theirs, [*at, key]) if mine.is_a?(Hash) && theirs.is_a?(Hash) && at.size < 2

          raise ArgumentError, "two files of the API's description say #{[*at, key].join(" / ")}"
        end
      end
    end
  end
end
