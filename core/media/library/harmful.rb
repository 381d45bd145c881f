# frozen_string_literal: true

module AskFirst
  module Core
    module Media
      # A file that took its reader with it: over its limits of time or memory. It is not read again, and whoever it
      # came from is told.
      module Harmful
        CODE = "file_harmful"

        SENTENCE = "Reading this file takes more time or memory than a picture, video or document of its size does."
        WAY_ON = "Export it again, smaller or in another format."

        module_function

        # @return [Invalid]
        def error = Invalid.new(CODE, SENTENCE, field: "file", way_on: WAY_ON)

        # @param error [Exception]
        def it?(error) = error.is_a?(Invalid) && error.code == CODE
      end
    end
  end
end
