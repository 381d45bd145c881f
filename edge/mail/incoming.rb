# frozen_string_literal: true

require "loofah"
require "mail"

module AskFirst
  module Edge
    module Mail
      # A mail that came in (RFC 5322, MIME), read for what an answer needs. Called in the sandbox, by Messages.
      class Incoming
        File = Struct.new(:name, :bytes, keyword_init: true)
        BY_LISTS = %w[bulk junk list auto_reply].freeze # Precedence; common practice, no source
        UNSEEN = /[\u0000-\u0008\u000B-\u001F\u007F-\u009F]/ # control characters
        HEADERS = %w[To Cc Delivered-To X-Original-To Envelope-To].freeze
        # characters and files at most, of what is handed on
        ADDRESSES = 100_000
        SUBJECT = 1_000
        TEXT = 200_000
        FILES = 50
        # bytes at most, of what is looked at: a longer field has no meaning for people
        HEAD = 256 * 1024
        FIELD = 20_000
        HEAD_END = /\r?\n\r?\n/n

        # @param raw [String] its bytes, or its head alone
        # @param cut [Boolean] whether the rest of it was left at the server
        # @param checker [String] who checks mails before us: the name in Authentication-Results (RFC 8601)
        def initialize(raw, cut:, checker:)
          @head, body = raw.b.split(HEAD_END, 2)
          @head = short(@head.to_s)
          @mail = ::Mail.read_from_string("#{@head}\r\n\r\n#{body unless cut}")
          @cut = cut
          @checker = checker
        end

        # @return [Sandbox::Readers::Answer] all of it, with the bytes of its files
        def plain
          said = text
          found = files.first(FILES)
          value = {
            sender: sender,
            for_whom: for_whom[0, ADDRESSES],
            automatic: automatic?,
            failed: failed?,
            subject: subject[0, SUBJECT],
            text: said,
            words: Core::Talk::Reply.words(said),
            garbled: @garbled || false,
            files: found.map { |file| file.name.scrub("").delete("\u0000")[0, 255] }
          }
          Sandbox::Readers::Answer.new(value, found.map(&:bytes))
        end

        def sender = Array(@mail.from).first.to_s.downcase[0, 320].scrub("")

        # Every address that it says it is for, as written.
        def for_whom = HEADERS.flat_map { |name| [*@mail[name]].map { |field| field.value.to_s.scrub("") } }.join(" ")

        # RFC 3834, section 2: what is sent to no one's order is not answered.
        def automatic?
          sent = header("Auto-Submitted").split(";").first.to_s.strip.downcase
          return true unless ["", "no"].include?(sent)

          BY_LISTS.include?(header("Precedence").strip.downcase) || sender.empty? || from_nobody?
        end

        # Whether the server that checks mails for us found that it is not from where it says.
        def failed?
          [*@mail["Authentication-Results"]].any? do |field|
            server, *results = field.value.to_s.split(";").map(&:strip)
            server.to_s.split.first == @checker && results.any? { |one| one.match?(/\A(spf|dkim|dmarc)=fail\b/i) }
          end
        end

        # @return [String]
        def subject = @mail.subject.to_s.dup.force_encoding(Encoding::UTF_8).scrub("").delete("\u0000")

        # @return [String] empty, and `garbled`, where its words are packed in a way that nobody knows
        def text
          part = @cut ? nil : plain_part || html
          part.nil? ? "" : words(part).gsub(/\r\n?/, "\n").gsub(UNSEEN, "")[0, TEXT]
        rescue ::Mail::UnknownEncodingType
          @garbled = true
          ""
        end

        # What was attached; not what a signature or a page shows within it, nor other mails, which may hold links of
        # ours.
        # @return [Array<File>]
        def files
          return [] if @cut

          @mail
            .attachments
            .reject { |one| one.inline? || one.mime_type.to_s.start_with?("message/") }
            .map { |one| File.new(name: one.filename.to_s, bytes: bytes(one)) }
            .reject { |one| one.bytes.empty? }
        end

        private

        # Its fields without those that are too long, and no more of them than a head has.
        def short(head)
          fields = head.byteslice(0, HEAD).split(/\r?\n(?![ \t])/n)
          fields.reject { |field| field.bytesize > FIELD }.join("\r\n")
        end

        # A transfer encoding that nobody knows makes it a file of which nothing else is known (RFC 2045, 6.4).
        def bytes(part)
          part.decoded
        rescue ::Mail::UnknownEncodingType
          part.body.raw_source.to_s
        end

        # A report of what could not be delivered (RFC 5321, 4.5.5).
        def from_nobody? = @head.match?(/^Return-Path:\s*<>/ni)

        def header(name) = @mail[name] ? [*@mail[name]].first.value.to_s : ""

        def html = @mail.html_part || (@mail.mime_type == "text/html" ? @mail : nil)
        def plain_part = @mail.text_part || (@mail.multipart? || html ? nil : @mail)

        def words(part)
          said = part.decoded.dup.force_encoding(Encoding::UTF_8).scrub("")
          part == html ? of_html(said) : said
        end

        # Quoted mails stand in blockquotes there.
        def of_html(said)
          page = Loofah.fragment(said[0, TEXT]).scrub!(:prune)
          page.css("blockquote").each(&:remove)
          page.to_text(encode_special_chars: false).strip
        end
      end
    end
  end
end
