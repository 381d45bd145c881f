# frozen_string_literal: true

require "midi-smtp-server"
require "open3"

# The mails that we write (mail, Ruby), as a library reads them that did not write them (postal-mime, JavaScript), and
# held against rules of RFC 5322 and RFC 3834 that can be counted.
RSpec.describe "Mails, outside", :database do
  # A mail server that keeps what it is handed, byte for byte.
  let(:server) do
    Class
      .new(MidiSmtpServer::Smtpd) do
        attr_reader :kept

        def on_message_data_event(context)
          (@kept ||= []) << context[:message][:data]
        end
      end
      .new(ports: Setup::Processes.free_port.to_s, hosts: "127.0.0.1", max_processings: 1, logger_severity: 4)
  end
  let(:environment) do
    reached = world.settings.dup.tap { |same| same.smtp_port = server.ports.first.to_i }
    world.environment.dup.tap { |same| same.mailer = AskFirst::Edge::Mail::Mailer.new(reached) }
  end
  let(:process) { AskFirst::App::Member.process(world.workspace, "dispatcher") }
  let(:text) do
    "Nebel über dem Fluß ⛴ — “heute”\n\n#{"A long line that no mail server may break in two. " * 30}\n.\nFrom here"
  end

  before { server.start }
  after { server.stop }

  # @return [Hash] as postal-mime reads it
  def read_back(raw)
    script = <<~JS
      import PostalMime from 'postal-mime'
      import { readFileSync } from 'node:fs'
      const { from, to, replyTo, subject, text, html, date, messageId, headers } = await PostalMime.parse(readFileSync(0))
      const kinds = Object.fromEntries(headers.map(({ key, value }) => [key, value]))
      console.log(JSON.stringify({ from, to, replyTo, subject, text, html, date, messageId, kinds }))
    JS
    out, status =
      Open3.capture2(
        "node",
        "--input-type=module",
        "-e",
        script,
        stdin_data: raw,
        binmode: true,
        chdir: "#{__dir__}/../../ui"
      )
    raise "postal-mime did not read it" unless status.success?

    JSON.parse(out.force_encoding("UTF-8"))
  end

  def asked
    post = world.draft(text: text, channels: [:vitrine])
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1, message: "Für morgen, bitte: <b>ja</b> oder nein?")
  end

  it "say of an ask what stands in it, in both of its bodies, to whom it is and where an answer goes" do
    AskFirst::App::Signoff::MailAsk.call(environment, process, ask_id: asked, person_id: world.person(:odile))
    mail = read_back(server.kept.first)
    expect(mail["subject"]).to match(/\AQuillmere Ferries: one post for your yes by /)
    expect(mail["from"]).to include("name" => "Fernhollow Studio", "address" => "asks@fernhollow.example")
    expect(mail["to"].map { |one| one["address"] }).to eq ["odile@quillmere.example"]
    expect(mail["replyTo"].map { |one| one["address"] }).to match [/\A[a-z]+\+[a-z0-9]+@fernhollow\.example\z/]
    expect(mail["text"]).to include("Für morgen, bitte: <b>ja</b> oder nein?", *text.lines.map(&:strip))
    expect(mail["html"]).to include("&lt;b&gt;ja&lt;/b&gt;", "Nebel über dem Fluß ⛴ — “heute”")
    expect(mail["text"][%r{https?://\S+/review/#\S+}]).to eq mail["html"][%r{https?://[^"]+/review/#[^"]+}]
  end

  it "hold to the rules: lines, letters of headers, a moment, a name of its own, and that no person wrote it" do
    2.times do
      AskFirst::App::Signoff::MailAsk.call(environment, process, ask_id: asked, person_id: world.person(:odile))
    end
    head, = server.kept.first.split(/\r?\n\r?\n/, 2)
    expect(server.kept.flat_map { |raw| raw.lines.map { |line| line.chomp.bytesize } }.max).to be <= 998 # section 2.1.1
    expect(head).to be_ascii_only # section 2.2
    mails = server.kept.map { |raw| read_back(raw) }
    expect(Time.parse(mails.first["date"])).to be_within(60).of(Time.now) # section 3.6.1
    expect(mails.map { |mail| mail["messageId"] }.uniq).to match [/\A<.+@.+>\z/, /\A<.+@.+>\z/] # section 3.6.4
    expect(mails.map { |mail| mail["kinds"]["auto-submitted"] }).to all(eq "auto-generated") # RFC 3834, section 5
  end

  it "reach whoever has letters of any writing in their name, and a subject longer than a line" do
    subject = "Fähre Nº 7 “⛴” #{"und so weiter, " * 12}"
    AskFirst::Edge::Mail::Mailer.new(
      world.settings.dup.tap { |same| same.smtp_port = server.ports.first.to_i }
    ).deliver(to: "odile@quillmere.example", subject: subject, text: "ja", html: "<p>ja</p>")
    expect(read_back(server.kept.first)["subject"]).to eq subject.strip
  end
end
