# frozen_string_literal: true

module AskFirst
  module App
    module Posts
      # What the page of a link says of itself, fetched by the server; with its picture taken into the client's files when that is
      # wanted.
      class PreviewLink < Act
        stepwise
        opens :client, "write:link"

        MOST_PICTURE = 10 * 1024 * 1024

        SAYS = {
          "private" => ["The address leads to a private network, so nothing is fetched from there.", "Use the public address of the page."],
          "silent" => ["The page does not answer at the moment", "Write the card by hand, or try again later."],
          "broken" => ["The page cannot be read", "Write the card by hand."]
        }.freeze

        # @param picture [Boolean] whether the page's picture is taken into the files
        # @return [Hash] JSON-ready {title:, words:, picture: address or nil, media_id: id or nil, address:}
        def call(address:, picture: false)
          require_ability!("write:link")
          clean = Core::Posts::WebAddress.clean(address) or raise Core::Invalid.new("bad_link", "There is no address yet.", field: "link")
          page = page(clean)
          said = kit.previews.of(page)
          media_id = picture && said[:picture] ? take(said[:picture]) : nil
          { title: said[:title], words: said[:words], picture: said[:picture], media_id: media_id, address: page.address }
        end

        private

        def page(address)
          page = kit.pages.get(address)
          raise unreadable("broken", "it answers with #{page.status}") unless page.status == 200
          raise unreadable("broken", "it is no page but #{page.type.empty? ? 'something unnamed' : page.type}") unless page.type.include?("html")

          page
        rescue Core::Checks::Unreadable => e
          raise unreadable(e.state, e.note)
        end

        def unreadable(state, note)
          sentence, way_on = SAYS.fetch(state)
          sentence = "#{sentence}#{": #{note}" unless note.empty?}." unless sentence.end_with?(".")
          Core::Invalid.new("link_#{state}", sentence, field: "link", way_on: way_on)
        end

        # A picture that is none, or that cannot be fetched, leaves the card without one.
        def take(address)
          require_ability!("add_media")
          file = kit.pages.get(address, limit: MOST_PICTURE)
          return if file.status != 200 || file.cut

          Media::UploadMedia.call(kit, member, io: StringIO.new(file.body), name: "#{URI.parse(address).host} preview")[:id]
        rescue Core::Checks::Unreadable, Core::Invalid, Core::Refused
          nil
        end
      end
    end
  end
end
