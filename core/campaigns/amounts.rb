# frozen_string_literal: true

module AskFirst
  module Core
    module Campaigns
      # Sums of money: whole minor units of a currency (ISO 4217), never mixed.
      module Amounts
        module_function

        # @param amounts [Array<Hash, nil>] {"minor" => Integer, "currency" => String}; nil for none
        # @return [Array<Hash>] {minor:, currency:} for each currency, in their order
        def sums(amounts)
          amounts
            .compact
            .group_by { |one| one["currency"] }
            .sort
            .map { |currency, same| { minor: same.sum { |one| one["minor"] }, currency: currency } }
        end
      end
    end
  end
end
