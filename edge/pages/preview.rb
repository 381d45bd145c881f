# frozen_string_literal: true

require "nokogiri"

module AskFirst
  module Edge
    module Pages
      # What a page says of itself: the Open Graph properties og:title, og:description and og:image, else its title
      # and meta description.
      module Preview
        TITLE = 300
        WORDS = 1_000
        ADDRESS = 4_000

        module_function

        # @param body [String] of the page
        # @param base [String] its address
        # @return [Hash] {title:, words:, picture: address or nil}
        def of(body, base)
          html = Nokogiri.HTML(body, nil, body.dup.force_encoding("UTF-8").valid_encoding? ? "UTF-8" : nil)
          {
            title: said(html, "og:title", html.at_css("title")&.text, TITLE),
            words: said(html, "og:description", meta(html, "name", "description"), WORDS),
            picture: picture(html, base)
          }
        end

        def said(html, property, otherwise, limit)
          [meta(html, "property", property), otherwise].map { |text| text.to_s.gsub(/[[:space:]]+/, " ").strip }
            .find { |text| !text.empty? }
            .to_s[
            0,
            limit
          ]
        end

        def meta(html, attribute, name)
          html.at_css("meta[#{attribute}='#{name}']")&.[]("content")
        end

        def picture(html, base)
          address = meta(html, "property", "og:image").to_s.strip
          address.empty? || address.length > ADDRESS ? nil : URI.join(base, address).to_s
        rescue URI::Error
          nil
        end
        private_class_method :said, :meta, :picture
      end
    end
  end
end
