# frozen_string_literal: true

require "uri"

module AskFirst
  module Core
    module Posts
      # An address of the web as people paste it: whole, with http or https and a host.
      module WebAddress
        LIMIT = 2_000

        module_function

        # @param value [String]
        # @param field [String] for the error
        # @return [String, nil] nil for nothing
        # @raise [Invalid] bad_link
        def clean(value, field: "link")
          return nil if value.nil? || value == ""

          address = Text.clean(value, field: field, limit: LIMIT).strip
          return nil if address.empty?

          parsed = URI.parse(address)
          return address if parsed.is_a?(URI::HTTP) && parsed.host.to_s != "" && parsed.userinfo.nil?

          refuse(field)
        rescue URI::InvalidURIError
          refuse(field)
        end

        def refuse(field)
          raise Invalid.new(
                  "bad_link",
                  "A link must be a whole address that begins with http:// or https://.",
                  field: field,
                  way_on: "Copy it from the browser's address line."
                )
        end
        private_class_method :refuse
      end
    end
  end
end
