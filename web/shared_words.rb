# frozen_string_literal: true

module AskFirst
  module Web
    # What the interface and the core both hold: made for the interface from the core, when its types are made.
    module SharedWords
      USUAL_DIGITS = 2

      module_function

      # @return [Hash] JSON-ready: formats by name with their words, the parts of a post, the digits of currencies
      #   that have other than two, the colours of labels, and how long what is typed may be
      def all
        {
          formats: Core::Posts::Formats::TABLE.transform_values(&:words),
          parts: Core::Posts::Parts::ALL,
          currency_digits: currency_digits,
          label_colours: Core::Campaigns::Label::COLOURS,
          lengths: Core::Lengths.all
        }
      end

      def currency_digits
        Core::Campaigns::Currency
          .codes
          .to_h { |code| [code, Core::Campaigns::Currency.exponent(code)] }
          .reject { |_, digits| digits == USUAL_DIGITS }
          .sort
          .to_h
      end
    end
  end
end
