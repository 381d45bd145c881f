# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # Asks what the page of a link says of itself. The dispatcher reads it (ReadLink), since a page may take its
      # time; whoever asked is told when it is there (LinkReading).
      class PreviewLink < Act
        opens :client, "write:link"

        MOST = 10 # that one person waits for

        # @param picture [Boolean] whether the page's picture is taken into the files
        # @return [String] id of the reading
        # @raise [Core::Invalid] bad_link, too_many_links
        def call(address:, picture: false)
          clean = Core::Posts::WebAddress.clean(address) or
            raise Core::Invalid.new("bad_link", "There is no address yet.", field: "link")
          raise too_many if under_way.count >= MOST

          id = new_id
          reading = Store::Posts::LinkReadings.ask(scope, id, clean, picture, now)
          if reading == id || under_way.where(id: reading).empty?
            environment.queue.read_link(member.workspace_id, reading, at: now)
          end
          reading
        end

        private

        def under_way
          Store::Posts::LinkReadings.under_way(scope, now)
        end

        def too_many
          Core::TooMany.new(
            "#{MOST} pages are being read for you already.",
            of: "links",
            field: "link",
            way_on: "Wait until they are there, or write the card by hand."
          )
        end
      end
    end
  end
end
