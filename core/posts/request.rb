# frozen_string_literal: true

module AskFirst
  module Core
    module Posts
      # The material content of an adaptation: the request as it will be built for its network. This, and nothing else,
      # is what a yes belongs to.
      module Request
        module_function

        # @param parts [Hash] resolved parts (Parts.resolve)
        # @param account [String] address of the account at the network
        # @param card [Hash] network card
        # @param pictures [Hash{String=>String,nil}] media id => digest of its rendition, nil while there is none
        # @return [Hash] JSON-ready
        def build(parts:, account:, card:, pictures: {})
          {
            "account" => account,
            "text" => text_as_sent(parts["text"], parts["link"], card),
            "link" => parts["link"],
            "link_card" => nil,
            "media" => parts["media"].map do |id|
              { "digest" => pictures[id], "description" => parts["descriptions"].fetch(id, "") }
            end,
            "tagged" => parts["tagged"],
            "first_comment" => parts["first_comment"],
            "call_to_action" => parts["call_to_action"],
            "format" => parts["format"],
            "audience" => parts["audience"],
            "event" => parts["event"],
            "budget" => parts["budget"]
          }
        end

        # The text, then a blank line and the link, where the network shows no link card of its own and the text does not
        # hold the link already. This is what is counted.
        def text_as_sent(text, link, card)
          return text if link.nil? || card["link_card"] || text.include?(link)

          text.empty? ? link : "#{text}\n\n#{link}"
        end
      end
    end
  end
end
