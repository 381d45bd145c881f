# frozen_string_literal: true

require "digest"
require "loofah"
require "mail"

module AskFirst
  module Edge
    module Mail
      # A mail that came in (RFC 5322, MIME), read for what an answer needs.
      class Incoming
        File = Struct.new(:name, :bytes, keyword_init: true)
        BY_LISTS = %w[bulk junk list auto_reply].freeze # Precedence; common practice, no source
        UNSEEN = /[\u0000-\u0008\u000B-\u001F\u007F-\u009F]/ # control characters
        HEADERS = %w[To Cc Delivered-To X-Original-To Envelope-To].freeze

        # @param raw [String] its bytes, or its head alone
        # @param cut [Boolean] whether the rest of it was left at the server
        # @param checker [String] who checks mails before us: the name in Authentication-Results (RFC 8601)
        def initialize(raw, cut:, checker:)
          @raw = raw
          @mail = ::Mail.read_from_string(raw)
          @cut = cut
          @checker = checker
        end

        # @return [String] SHA-256 of its bytes
        def digest = Digest::SHA256.digest(@raw)

        def sender = Array(@mail.from).first.to_s.downcase[0, 320].scrub("")

        # Every address that it says it is for, as written.
        def for_whom = HEADERS.flat_map { |name| [*@mail[name]].map { |field| field.value.to_s } }.join(" ")

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
        def subject = @mail.subject.to_s.dup.force_encoding(Encoding::UTF_8).scrub("")

        def text
          part = @cut ? nil : plain || html
          part.nil? ? "" : words(part).gsub(/\r\n?/, "\n").gsub(UNSEEN, "")
        end

        # What was attached; not what a signature or a page shows within it, nor other mails, which may hold links of
        # ours.
        # @return [Array<File>]
        def files
          return [] if @cut

          @mail
            .attachments
            .reject { |one| one.inline? || one.mime_type.to_s.start_with?("message/") }
            .map { |one| File.new(name: one.filename.to_s, bytes: one.decoded) }
            .reject { |one| one.bytes.empty? }
        end

        # @return [Core::Talk::Reply::Mail]
        def facts
          Core::Talk::Reply::Mail.new(
            sender: sender,
            automatic: automatic?,
            failed: failed?,
            cut: @cut,
            text: text,
            files: files.size
          )
        end

        private

        # A report of what could not be delivered (RFC 5321, 4.5.5).
        def from_nobody? = @raw.split(/\r?\n\r?\n/, 2).first.to_s.match?(/^Return-Path:\s*<>/i)

        def header(name) = @mail[name] ? [*@mail[name]].first.value.to_s : ""

        def html = @mail.html_part || (@mail.mime_type == "text/html" ? @mail : nil)
        def plain = @mail.text_part || (@mail.multipart? || html ? nil : @mail)

        def words(part)
          said = part.decoded.dup.force_encoding(Encoding::UTF_8).scrub("")
          part == html ? of_html(said) : said
        end

        # Quoted mails stand in blockquotes there.
        def of_html(said)
          page = Loofah.fragment(said).scrub!(:prune)
          page.css("blockquote").each(&:remove)
          page.to_text(encode_special_chars: false).strip
        end
      end
    end
  end
end
