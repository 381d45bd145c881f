# frozen_string_literal: true

require "cgi"
require "mail"
require "midi-smtp-server"
require "securerandom"
require "sinatra/base"
require_relative "journal"

module StandIns
  # Keeps the mails that came in.
  class Mailboxes
    # raw: its bytes in base64, of those that a program fetches
    Letter = Struct.new(:id, :to, :from, :subject, :at, :text, :html, :reply_to, :automatic, :raw, keyword_init: true)

    def initialize(folder)
      @journal = Journal.new(File.join(folder, "mail.jsonl"))
      @letters = []
      @lock = Mutex.new
      @journal.each { |event| event["gone"] ? forget(event["gone"]) : keep(event) }
    end

    def take(raw, recipients)
      said = read(raw)
      recipients.each do |to|
        letter = {
          "id" => SecureRandom.hex(6),
          "to" => to,
          "at" => Time.now.utc.strftime("%FT%TZ"),
          "raw" => to.include?("+") ? [raw].pack("m0") : nil,
          **said
        }
        @journal.add(letter)
        @lock.synchronize { keep(letter) }
      end
    end

    # What a program may fetch for one address: what came to it with a word added.
    def for_pop(user)
      local, domain = user.downcase.split("@")
      all.select { |letter| letter.raw && letter.to.downcase.match?(/\A#{Regexp.escape(local)}\+.*@#{domain}\z/) }
    end

    def drop(letter)
      @journal.add({ "gone" => letter.id })
      @lock.synchronize { forget(letter.id) }
    end

    # Somebody answers a mail, as their program would do it: the mail quoted below.
    def answer(letter, words)
      mail = ::Mail.new(from: letter.to, to: letter.reply_to, subject: "Re: #{letter.subject}")
      mail.charset = "UTF-8"
      quoted = letter.text.lines.map { |line| "> #{line}" }.join
      mail.body = "#{words}\n\nOn #{letter.at}, #{letter.from} wrote:\n\n#{quoted}"
      take(mail.to_s, [letter.reply_to])
    end

    def find(id) = all.find { |letter| letter.id == id }

    def all
      @lock.synchronize { @letters.dup }
    end

    def of(address)
      all.select { |letter| letter.to.casecmp?(address) }.reverse
    end

    private

    # A mail server takes what it cannot read, too.
    def read(raw)
      mail = ::Mail.read_from_string(raw)
      {
        "from" => mail[:from].to_s,
        "subject" => mail.subject.to_s,
        "text" => body(mail.text_part || (mail.multipart? ? ::Mail::Part.new : mail)),
        "html" => mail.html_part && body(mail.html_part),
        "reply_to" => Array(mail.reply_to).first,
        "automatic" => mail["Auto-Submitted"].to_s
      }
    rescue SystemStackError, StandardError => e
      nothing = { "html" => nil, "reply_to" => nil, "automatic" => "" }
      { "from" => "", "subject" => "", "text" => "This mail cannot be read (#{e.class}).", **nothing }
    end

    def keep(event) = @letters << Letter.new(**event.transform_keys(&:to_sym))
    def forget(id) = @letters.reject! { |letter| letter.id == id }

    def body(part)
      part.decoded.dup.force_encoding(Encoding::UTF_8).scrub
    end
  end

  # The SMTP side (RFC 5321).
  class Smtp < MidiSmtpServer::Smtpd
    def initialize(mailboxes, port)
      @mailboxes = mailboxes
      super(ports: port.to_s, hosts: "127.0.0.1", max_processings: 4, logger_severity: 4)
    end

    def on_message_data_event(ctx)
      @mailboxes.take(ctx[:message][:data], ctx[:envelope][:to].map { |address| address.delete("<>") })
    end
  end

  # The pages of the mailboxes.
  class MailPages < Sinatra::Base
    set :environment, :production
    set :protection, false
    set :host_authorization, permitted_hosts: []

    STYLE =
      "body{font:16px/1.5 sans-serif;max-width:40em;margin:2em auto;padding:0 1em}li{margin:.4em " \
        "0}iframe{width:100%;height:30em;border:1px solid #ccc}"

    helpers do
      def h(text) = CGI.escapeHTML(text.to_s)
      # The form that answers it, as a mail program would.
      def answering(letter)
        return "" unless letter.reply_to

        "<form method=\"post\" action=\"/mail/#{h letter.id}/answer\"><textarea name=\"words\" rows=\"3\" " \
          "cols=\"60\" aria-label=\"Your answer\"></textarea> <button>Answer this mail</button></form>"
      end
      def page(title, body) =
        "<!doctype html><html lang=\"en\"><meta " \
          "charset=\"utf-8\"><title>#{h title}</title><style>#{STYLE}</style><h1>#{h title}</h1>#{body}</html>"
    end

    get "/mail" do
      boxes = settings.mailboxes.all.group_by { |letter| letter.to.downcase }
      rows = boxes.map { |to, letters| "<li><a href=\"/mail/#{CGI.escape(to)}\">#{h to}</a> (#{letters.size})</li>" }
      page("Mailboxes", "<ul>#{rows.join}</ul>")
    end

    post "/mail/:id/answer" do
      letter = settings.mailboxes.find(params[:id]) or halt(404)
      settings.mailboxes.answer(letter, params[:words].to_s)
      redirect "/mail/#{CGI.escape(letter.to)}", 303
    end

    get "/mail/:address.json" do
      content_type "application/json"
      JSON.generate(settings.mailboxes.of(params[:address]).map(&:to_h))
    end

    get "/mail/:address" do
      letters = settings.mailboxes.of(params[:address])
      page(
        params[:address],
        letters
          .map do |one|
            "<h2>#{h one.subject}</h2><p>#{h one.from}, #{h one.at}</p>#{one.html || "<pre>#{h one.text}</pre>"}" \
              "#{answering(one)}"
          end
          .join("<hr>")
      )
    end
  end
end
