# frozen_string_literal: true

require "money"

module AskFirst
  module Core
    module Campaigns
      # Currencies of ISO 4217 with their exponents (the table of the package money). Money itself is whole minor units.
      module Currency
        CODE = /\A[A-Z]{3}\z/

        module_function

        # @return [String] the code
        # @raise [Invalid] bad_currency
        def clean(value, field: "currency")
          return value if value.is_a?(String) && CODE.match?(value) && known?(value)

          raise Invalid.new(
                  "bad_currency",
                  "“#{value.to_s[0, 10]}” is no currency.",
                  field: field,
                  way_on: "Write its three letters, such as EUR."
                )
        end

        def known?(code)
          found = Money::Currency.find(code)
          !found.nil? && found.iso_numeric.to_s.match?(/\A\d{3}\z/)
        end

        # @return [Array<String>] every code of the standard
        def codes
          Money::Currency.all.map(&:iso_code).uniq.select { |code| known?(code) }
        end

        # @return [Integer] digits after the point
        def exponent(code)
          Money::Currency.find(code).exponent
        end

        # @param minor [Integer] minor units
        # @return [String] "EUR 40.00"
        def words(minor, code)
          digits = exponent(code)
          return "#{code} #{minor}" if digits.zero?

          whole, rest = minor.divmod(10**digits)
          format("%s %d.%0#{digits}d", code, whole, rest)
        end
      end
    end
  end
end
