# frozen_string_literal: true

require "cgi"
require "erb"

module AskFirst
  module App
    # One mail as plain text and as HTML, out of the same paragraphs, in the order in which they were said.
    class Letter
      INK = "#16191C"
      YES = "#17693F" # "yes" toward a client
      CLIENT = "#55389A"
      SAY = "Say something about this one"
      SMALL = "color:#4C5358;font-size:14px"

      # @param name [String, nil] whom it greets, by the first name
      def initialize(name = nil)
        @text = []
        @html = []
        say(name ? "Hello #{name.split.first}," : "Hello,")
      end

      def say(words)
        add(words, "<p>#{h(words)}</p>")
      end

      # What a person wrote, set apart.
      def quote(words)
        if words.empty?
          self
        else
          add(
            words,
            "<p style=\"border-left:4px solid #{CLIENT};padding-left:12px;white-space:pre-line\">#{h(words)}</p>"
          )
        end
      end

      # The one thing to do.
      # @param lead [String] the sentence before the address, in plain text
      def button(words, address, lead:, colour: INK)
        add(
          "#{lead}\n#{address}",
          "<p><a href=\"#{h(address)}\" style=\"display:inline-block;background:#{colour};color:#fff;padding:12px " \
            "20px;text-decoration:none;border-radius:3px\">#{h(words)}</a></p>"
        )
      end

      # One of several things, each with its address.
      def item(title, words, address)
        add(
          "#{title}: #{words}\n#{address}",
          "<p><b>#{h(title)}</b><br>#{h(words)}<br><a href=\"#{h(address)}\">Open it</a></p>"
        )
      end

      # A post as it will read.
      # @param place [String] when and where
      # @param files [Array<String>] in words
      # @param say [String, nil] mail address at which something can be said about this one
      def post(place, words, files, say: nil)
        notes = files.map { |file| "<br><i>#{h(file)}</i>" }.join
        to_say = "#{SAY}: #{say}" if say
        add(
          [place, words, *files.map { |file| "[#{file}]" }, to_say].compact.reject(&:empty?).join("\n"),
          "<div style=\"border:1px solid #D2D5D1;padding:2px 14px;margin:12px 0\">" \
            "<p style=\"#{SMALL}\">#{h(place)}</p>" \
            "<p style=\"white-space:pre-line\" dir=\"auto\">#{h(words)}</p>" \
            "<p style=\"#{SMALL}\">#{notes.delete_prefix("<br>")}</p>#{say && mail_to(say, words)}</div>"
        )
      end

      def small(words, address = nil)
        said = address ? "<a href=\"#{h(address)}\">#{h(words)}</a>" : h(words)
        add([words, address].compact.join(": "), "<p style=\"#{SMALL}\">#{said}</p>")
      end

      # The last line, where there is something to say.
      def foot(words)
        words.empty? ? self : small(words)
      end

      # @return [Hash] {text:, html:} for the mailer
      def parts
        {
          text: "#{@text.join("\n\n")}\n",
          html: "<div style=\"font:16px/1.5 sans-serif;color:#{INK};max-width:32em\">#{@html.join}</div>"
        }
      end

      private

      def add(text, html)
        @text << text
        @html << html
        self
      end

      # Whoever gets it sees in the subject what it is about.
      def mail_to(address, words)
        about = ERB::Util.url_encode("About: #{words.to_s[0, 60].tr("\n", " ")}")
        "<p style=\"#{SMALL}\"><a href=\"mailto:#{h(address)}?subject=#{about}\">#{SAY}</a></p>"
      end

      def h(words) = CGI.escapeHTML(words)
    end
  end
end
