# frozen_string_literal: true

module AskFirst
  module Core
    module Channels
      # What a network card takes beside text, link and media: only that is offered, and only that goes out.
      module Offers
        module_function

        # @param card [Card]
        # @return [Hash] part => what may stand there, or nil where the network has no such thing
        def of(card)
          {
            "formats" => card.formats,
            "link_card" => card.link_card,
            "tagged" => card.tagged,
            "first_comment" => card.first_comment,
            "call_to_action" => card.call_to_action,
            "audience" => card.audience,
            "event" => card.event || nil,
            "budget" => card.budget || nil
          }
        end
      end
    end
  end
end
