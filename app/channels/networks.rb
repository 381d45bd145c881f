# frozen_string_literal: true

module AskFirst
  module App
    module Channels
      # The networks that a person's clients are on, with what each takes, as its own card says.
      class Networks
        # @param scope [Store::Scope] of the agency side
        # @return [Hash] JSON-ready
        def self.call(scope)
          rows = scope.transaction { Store::Channels::Cards.newest(scope) }
          {
            about: Core::Channels::CardInWords::LINES.keys,
            networks:
              rows.map do |row|
                card = Core::Channels::Card.read(row[:card])
                at = row[:card_at]&.iso8601
                {
                  network: row[:network],
                  initials: row[:initials],
                  read_at: at,
                  says: Core::Channels::CardInWords.of(card).values
                }
              end
          }
        end
      end
    end
  end
end
