# frozen_string_literal: true

module AskFirst
  module Core
    module Posts
      # The material content of an adaptation: the request as it will be built for its network. This, and nothing else,
      # is what a yes belongs to. What the network or the format does not take is left out of it, and stays with the
      # post.
      module Request
        # What a request is built from beside the parts. card: Channels::Card · account: its address at the network ·
        # network: its name, for spellings · tags: tracking tags · book: Mentions::Book · files: media id => File
        Place =
          Struct.new(:card, :account, :network, :tags, :book, :files, keyword_init: true) do
            def initialize(network: "", tags: {}, book: Mentions::NOBODY, files: {}, **more) = super
          end
        # digest: of the rendition, nil while there is none; kind: picture, video, document; ms: length of a video
        File =
          Struct.new(:digest, :kind, :ms, keyword_init: true) do
            def initialize(digest: nil, kind: "picture", ms: nil) = super
          end
        NO_FILE = File.new.freeze

        module_function

        # @param parts [Hash] resolved parts (Parts.resolve)
        # @param place [Place]
        # @return [Hash] JSON-ready
        def build(parts, place)
          format = Formats[parts["format"]]
          media = Formats.used(format, parts["media"]) { |id| file(place, id).kind }
          link = parts["link"]
          final = Link.final(link, place.tags)
          {
            "account" => place.account,
            "text" => text(parts, link, final, format, place),
            "link" => final,
            "link_card" => link_card(link, format, media, place),
            "media" => media.map { |id| medium(id, parts, place) },
            "tagged" => tagged(parts["tagged"], media, place),
            "first_comment" => first_comment(parts["first_comment"], place),
            "call_to_action" =>
              Array(place.card.call_to_action).include?(parts["call_to_action"]) ? parts["call_to_action"] : nil,
            "format" => parts["format"],
            "audience" => audience(parts["audience"], place.card),
            "event" => taken(place.card, "event") ? parts["event"] : nil,
            "budget" => taken(place.card, "budget") ? parts["budget"] : nil
          }
        end

        def first_comment(words, place)
          taken(place.card, "first_comment") ? Mentions.spell(words, place.book, place.network) : ""
        end

        def text(parts, link, final, format, place)
          return "" if format && !format.text

          written = Mentions.spell(parts["text"], place.book, place.network)
          text_as_sent(written, final, place.card, address: link && link["address"], bare: link ? link["bare"] : "keep")
        end

        # The text with its bare address made the final one, or taken out where the network shows a card and a person
        # wants it so; then a blank line and the link, where the network shows no card of its own and the text does
        # not hold it already.
        # This is what is counted.
        def text_as_sent(text, link, card, address: link, bare: "keep")
          return text if link.nil?

          text = replace(text, address, card.link_card && bare == "drop" ? nil : link)
          return text if card.link_card || text.include?(link)

          text.empty? ? link : "#{text}\n\n#{link}"
        end

        # @param with [String, nil] nil takes the address out, with the white space before it
        def replace(text, address, with)
          found = Checks::Links.find(text).select { |from, length| text[from, length] == address }
          found
            .reverse
            .reduce(text.dup) do |rest, (from, length)|
              next rest.tap { rest[from, length] = with } if with

              start = rest[0...from].rstrip.length
              rest.tap { rest[start...(from + length)] = "" }
            end
        end

        def medium(id, parts, place)
          file = file(place, id)
          sent = { "digest" => file.digest, "description" => parts["descriptions"].fetch(id, "") }
          file.kind == "picture" ? sent : sent.merge("kind" => file.kind, "length" => file.ms).compact
        end

        # Only where the network shows one, and only what a person put there; else it shows what the page says of
        # itself.
        def link_card(link, format, media, place)
          return unless link && link["card"] && place.card.link_card && media.empty? && (format.nil? || format.text)

          picture = link["card"]["picture"]
          shown = link["card"].slice("title", "words")
          picture ? shown.merge("picture" => file(place, picture).digest) : shown
        end

        # By the network's spelling, on the pictures that go out.
        def tagged(rows, media, place)
          return [] unless taken(place.card, "tagged")

          rows.filter_map do |row|
            spelling = place.book.spelling(row["name"], place.network)
            number = media.index(row["media"])
            { "id" => spelling, "media" => number, "x" => row["x"], "y" => row["y"] } if spelling && number
          end
        end

        def audience(value, card)
          kinds = card.audience or return
          kept = value.to_h.slice(*kinds).reject { |_, list| list.empty? }
          kept.empty? ? nil : kept
        end

        def taken(card, part)
          !Channels::Offers.of(card)[part].nil?
        end

        def file(place, id)
          place.files.fetch(id, NO_FILE)
        end
        private_class_method :text, :replace, :medium, :link_card, :tagged, :audience, :taken, :file
      end
    end
  end
end
