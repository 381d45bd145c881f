# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What was found at the page of a link, for whoever asked.
      class LinkReading < Act
        reads :link_reading, "write:link"

        SAYS = {
          "private" => [
            "The address leads to a private network, so nothing is fetched from there.",
            "Use the public address of the page."
          ],
          "silent" => ["The page does not answer at the moment", "Write the card by hand, or try again later."],
          "broken" => ["The page cannot be read", "Write the card by hand."]
        }.freeze

        # @return [Hash, nil] JSON-ready {title:, words:, picture: address or nil, media_id: id or nil, address:}; nil
        # while it is read
        # @raise [Core::Invalid] link_private, link_silent, link_broken: why nothing was found
        def call(reading_id:)
          return if row[:state].nil?
          raise unreadable(row[:state], row[:found]["note"]) unless row[:state] == "fine"

          row[:found].to_h
        end

        private

        def unreadable(state, note)
          sentence, way_on = SAYS.fetch(state)
          sentence = "#{sentence}#{": #{note}" unless note.empty?}." unless sentence.end_with?(".")
          Core::Invalid.new("link_#{state}", sentence, field: "link", way_on: way_on)
        end
      end
    end
  end
end
