# frozen_string_literal: true

require "email_reply_trimmer"

module AskFirst
  module Core
    module Talk
      # A mail that answers one of ours: what it says without what it quotes, and what is to become of it. It can become
      # a remark, never a yes.
      module Reply
        # sender: its From, lower case · automatic: no person wrote it (RFC 3834) · failed: our mail server could not
        # confirm where it comes from (RFC 8601) · cut: it was too large to be fetched whole · garbled: its words cannot
        # be read · words: what was written, as of `words` · files: how many it brings
        Mail = Struct.new(:sender, :automatic, :failed, :cut, :garbled, :words, :files, keyword_init: true)
        # email: the address of whoever the mail's address belongs to · over: their link works no more · recent: how
        # many of theirs came within the last hour
        Place = Struct.new(:email, :over, :recent, keyword_init: true)

        AN_HOUR = 20 # more than that nobody writes by hand; common practice, no source
        LIMIT = 4_000 # characters of a remark

        OUTCOMES = [
          ["automatic", ->(mail, _) { mail.automatic }],
          ["forged", ->(mail, _) { mail.failed }],
          ["elsewhere", ->(mail, place) { !mail.sender.casecmp?(place.email) }],
          ["over", ->(_, place) { place.over }],
          ["too_many", ->(_, place) { place.recent >= AN_HOUR }],
          ["too_long", ->(mail, _) { mail.cut }],
          ["unreadable", ->(mail, _) { mail.garbled }],
          ["empty", ->(mail, _) { mail.words.empty? && mail.files.zero? }],
          ["said", ->(_, _) { true }]
        ].freeze
        # what its sender is told, by a mail of their own; the others nobody is written to for
        NOT_TAKEN = {
          "over" => "The link that your mail belongs to works no more, so what you wrote reached nobody.",
          "too_many" => "Many mails came from you within an hour, so this one was not passed on.",
          "too_long" => "Your mail was too large to be read, so it was not passed on.",
          "unreadable" => "Your mail could not be read, so it was not passed on.",
          "empty" => "There were no words in your mail beside those that it quotes."
        }.freeze

        # What a quoted mail of ours holds that is its reader's alone: the link that answers in their name, and the
        # address that speaks in it. A program that quotes may have broken them over lines.
        BROKEN = /[\s>=]*/
        SECRETS = %r{(?<=/#)(?:receipt\.)?(?:[\w-]#{BROKEN}){42}[\w-]|(?<=\+)(?:\h#{BROKEN}){39}\h(?=#{BROKEN}@)}

        module_function

        # @param mail [Mail]
        # @param place [Place]
        # @return [String] the first of OUTCOMES that fits
        def outcome(mail, place)
          OUTCOMES.find { |_, fits| fits.call(mail, place) }.first
        end

        # @return [String] the text without secrets that it quotes
        def safe(text) = text.gsub(SECRETS, "…")

        # @param text [String] of the whole mail
        # @return [String] what was written, without quoted mails and signature, at most LIMIT characters
        def words(text)
          return "" if text.lines.all? { |line| line.strip.empty? || line.start_with?(">") }

          said = EmailReplyTrimmer.trim(safe(text)).to_s.strip
          said.length > LIMIT ? "#{said[0, LIMIT - 1]}…" : said
        end
      end
    end
  end
end
