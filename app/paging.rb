# frozen_string_literal: true

module AskFirst
  module App
    # Places in lists that come in pages: what the page before named as the next, and nothing else.
    module Paging
      NUMBER = /\A\d{1,18}\z/

      module_function

      # @param text [String, nil]
      # @return [Integer, nil] order number
      # @raise [Core::Invalid] bad_cursor
      def number(text, field: "before")
        return if text.nil?

        NUMBER.match?(text.to_s) ? Integer(text.to_s, 10) : raise(bad_cursor(field))
      end

      # @return [String, nil] id
      def id(text, field: "before")
        return if text.nil?

        Core::Uuid::FORMAT.match?(text.to_s) ? text : raise(bad_cursor(field))
      end

      def bad_cursor(field)
        Core::Invalid.new("bad_cursor", "This is no place in the list.", field: field, way_on: "Begin from its top.")
      end
    end
  end
end
