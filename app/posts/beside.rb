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
          {
            link_card: link_card(request, rendition_ids),
            tagged: Array(request["tagged"]).map { |one| one["id"] }.uniq,
            **settings(request)
          }
        end

        # What is shown as words, whoever reads it.
        def settings(request)
          {
            first_comment: request["first_comment"].to_s,
            call_to_action: request["call_to_action"],
            **%w[event audience budget].to_h { |key| [key.to_sym, Core::Posts::InWords.of(key, request[key])] }
          }
        end

        def link_card(request, rendition_ids)
          card = request["link_card"] or return
          {
            title: card["title"],
            words: card["words"],
            picture: card["picture"] && rendition_ids[request["media"].size],
            host: URI.parse(request["link"]).host
          }
        end
      end
    end
  end
end
