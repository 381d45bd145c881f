# frozen_string_literal: true

# Mails that come in: read as RFC 5322 and MIME say, fetched over POP3 (RFC 1939).
RSpec.describe AskFirst::Edge::Mail::Incoming do
  def read(raw, cut: false) =
    described_class.new(raw.gsub(/\r?\n/n, "\r\n"), cut: cut, checker: "mail.fernhollow.example")

  def plain(head = "", body = "Not on Sundays.")
    from = "From: Odile <Odile@Quillmere.example>"
    read("#{from}\nTo: a@b.example\n#{head}Content-Type: text/plain; charset=UTF-8\n\n#{body}")
  end

  it "has its sender in small letters, and every address that it is for" do
    mail = plain("Delivered-To: replies+0f@fernhollow.example\nX-Original-To: x@y.example\n")
    expect(mail.sender).to eq "odile@quillmere.example"
    expect(mail.for_whom).to include("a@b.example", "replies+0f@fernhollow.example", "x@y.example")
  end

  it "was written by a machine where RFC 3834 says so, or by a list, or comes from nobody" do
    automatic = ->(head) { plain(head).automatic? }
    expect(automatic.call("Auto-Submitted: auto-replied (vacation)\n")).to be true
    expect(automatic.call("Auto-Submitted: auto-generated; owner-email=\"x@y.example\"\n")).to be true
    expect(automatic.call("Auto-Submitted: no\n")).to be false
    expect(automatic.call("Precedence: bulk\n")).to be true
    expect(automatic.call("Return-Path: <>\n")).to be true
    expect(read("To: a@b.example\n\nHello").automatic?).to be true
    expect(automatic.call("")).to be false
  end

  # The header's form is that of RFC 8601, appendix B.
  it "is not confirmed where our own checker says so; what another one says does not count" do
    said = ->(server, result) do
      plain("Authentication-Results: #{server};\n spf=#{result} smtp.mailfrom=x.example\n").failed?
    end
    expect(said.call("mail.fernhollow.example", "fail")).to be true
    expect(said.call("mail.fernhollow.example 1", "fail")).to be true
    expect(said.call("mail.fernhollow.example", "pass")).to be false
    expect(said.call("elsewhere.example", "fail")).to be false
  end

  it "of several parts gives its plain words; in HTML alone, what it says without what it quotes" do
    both = <<~MAIL
      From: o@q.example
      Content-Type: multipart/alternative; boundary=x

      --x
      Content-Type: text/plain; charset=ISO-8859-1
      Content-Transfer-Encoding: quoted-printable

      F=FCr Sonntag
      --x
      Content-Type: text/html

      <p>no</p>
      --x--
    MAIL
    expect(read(both).text.strip).to eq "Für Sonntag"
    html =
      "<div>Not on<br>Sundays &amp; feasts</div><style>p{}</style><script>x()</script><blockquote>Hello</blockquote>"
    expect(read("From: o@q.example\nContent-Type: text/html; charset=UTF-8\n\n#{html}").text).to eq(
      "Not on\nSundays & feasts"
    )
  end

  it "has the files that were attached, not the pictures of its signature" do
    mail = Mail.new(from: "o@q.example", body: "See here")
    mail.add_file(filename: "log.txt", content: "half visibility")
    mail.attachments.inline["logo.png"] = "png"
    expect(read(mail.to_s).files.map(&:to_h)).to eq [{ name: "log.txt", bytes: "half visibility" }]
  end

  it "has no control characters, whatever the charset said" do
    expect(plain("", "a\u0000b\u001bc\tpier\n").text).to eq "abc\tpier\n"
    expect(
      read("From: o@q.example\nContent-Type: text/plain; charset=x-unknown\n\n\xFF\xFEfog".b).text
    ).to include "fog"
  end

  it "cut off at its head has no words" do
    expect(read("From: o@q.example\nContent-Type: text/plain\n\n", cut: true).text).to eq ""
  end
end

RSpec.describe AskFirst::Edge::Mail::Inbox, :database do
  let(:inbox) { world.environment.inbox }

  def send_mail(body, to: "replies+#{SecureRandom.hex(20)}@fernhollow.example")
    mail = Mail.new(from: "o@q.example", to: to, body: body)
    Net::SMTP.start("127.0.0.1", Infrastructure.stand_ins[:smtp]) do |smtp|
      smtp.send_message(mail.to_s, "o@q.example", to)
    end
  end

  before { inbox.forget(inbox.fetch.map(&:uid)) }

  it "hands out what came, the same until it is done with, and then no more" do
    send_mail("A line\n.\n..two dots")
    send_mail("not for it", to: "asks@fernhollow.example")
    2.times do
      expect(inbox.fetch.map { |one| world.environment.messages.of(one.raw).text.strip }).to eq [
           "A line\n.\n..two dots"
         ]
    end
    uid = inbox.fetch.first.uid
    expect(inbox.fetch(except: [uid])).to be_empty
    inbox.forget([uid])
    expect(inbox.fetch).to be_empty
  end

  it "fetches of one that is too large its head alone" do
    stub_const("#{described_class}::MOST_BYTES", 2_000)
    send_mail("fog " * 1_000)
    letter = inbox.fetch.first
    expect(letter.cut).to be true
    expect(letter.raw.bytesize).to be < 1_000
    expect(world.environment.messages.of(letter.raw, cut: true).sender).to eq "o@q.example"
  end

  it "on a slow line hands out what came within half of its deadline, and the others the next time" do
    3.times { |n| send_mail("Mail #{n}") }
    half = described_class::DEADLINE / 2
    allow(inbox).to receive(:clock).and_return(0, 1, half - 1, half)
    first = inbox.fetch.map(&:uid)
    expect(first.size).to eq 2
    allow(inbox).to receive(:clock).and_call_original
    expect(inbox.fetch(except: first).size).to eq 1
  end

  it "that is away or silent is away within its deadline, and says so" do
    away = described_class.at("pop3://x:y@127.0.0.1:1")
    expect { away.fetch }.to raise_error(described_class::Away, /mailbox of answers/)
    stub_const("#{described_class}::DEADLINE", 0.3)
    silent = TCPServer.new("127.0.0.1", 0)
    box = described_class.at("pop3://x:y@127.0.0.1:#{silent.addr[1]}")
    expect { box.fetch }.to raise_error(described_class::Away)
  ensure
    silent&.close
  end
end
