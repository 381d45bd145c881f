# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What goes out beside the text and the media of a request, in words for whoever reads it.
      module Beside
        module_function

        # @param request [Hash]
        # @param rendition_ids [Array<String>] of the request's media, then of the link card's picture
        # @return [Hash] JSON-ready
        def of(request, rendition_ids)
          budget = request["budget"]
          { link_card: link_card(request, rendition_ids), first_comment: request["first_comment"].to_s, call_to_action: request["call_to_action"],
            tagged: Array(request["tagged"]).map { |one| one["id"] }.uniq, event: request["event"], audience: request["audience"],
            budget: budget && Core::Campaigns::Currency.words(budget["minor"], budget["currency"]) }
        end

        def link_card(request, rendition_ids)
          card = request["link_card"] or return
          { title: card["title"], words: card["words"], picture: card["picture"] && rendition_ids[request["media"].size], host: URI.parse(request["link"]).host }
        end
      end
    end
  end
end
