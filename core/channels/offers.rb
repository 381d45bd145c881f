# frozen_string_literal: true

module AskFirst
  module Core
    module Channels
      # What a network card takes beside text, link and media: only that is offered, and only that goes out.
      module Offers
        module_function

        # @return [Hash] part => what may stand there, or nil where the network has no such thing
        def of(card)
          {
            "formats" => Posts::Formats.of_card(card), "link_card" => card["link_card"] ? true : false,
            "tagged" => card.dig("tagged", "most"), "first_comment" => card.dig("first_comment", "limit"), "call_to_action" => card.dig("call_to_action", "kinds"),
            "audience" => card["audience"], "event" => card["event"] ? true : nil, "budget" => card["budget"] ? true : nil
          }
        end
      end
    end
  end
end
