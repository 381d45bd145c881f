# frozen_string_literal: true

# A mail that answers one of ours becomes a remark in client talk, never a yes.
RSpec.describe "Answering by mail" do
  let(:post) { world.draft(text: "When fog sits #{SecureRandom.hex(4)}") }
  let(:mails) { [] }
  let(:dispatcher) { world.jobs.dup.tap { |environment| environment.mailer = world.environment.mailer } }
  let(:fetch) { AskFirst::App::Talk::FetchReplies.new(dispatcher) }

  before do
    mails = self.mails
    world.environment.mailer = Class.new { define_method(:deliver) { |**mail| mails << mail } }.new
    %i[mail_replies talk_told notices que_jobs].each { |table| world.owner[table].delete }
    world.environment.inbox.forget(world.environment.inbox.fetch.map(&:uid))
  end

  def process = AskFirst::App::Member.process(world.workspace, "dispatcher")

  # @return [Hash] the mail that asks Odile
  def asked(*posts)
    posts.each do |one|
      world.ask(one, 0)
      world.answer(one, :wren)
    end
    @ask = world.ask(posts, 1)
    AskFirst::App::Signoff::MailAsk.call(dispatcher, process, ask_id: @ask, person_id: world.person(:odile))
    mails.last
  end

  def answer(to, words = "Not on Sundays.", from: "odile@quillmere.example", head: {}, files: {}, as: nil)
    world.clock.set(world.clock.now + 1)
    mail = Mail.new(from: from, to: to, subject: "Re: your yes", body: words, charset: "UTF-8")
    head.each { |name, value| mail[name] = value }
    files.each { |name, bytes| mail.add_file(filename: name, content: bytes) }
    Net::SMTP.start("127.0.0.1", Infrastructure.stand_ins[:smtp]) do |smtp|
      smtp.send_message(as || mail.to_s, from, to)
    end
    fetch.call
  end

  def said(about = post, as: :ines)
    world.act("Posts::PostSheet", as, post_id: about, blocks: ["talk"])[:remarks].select do |one|
      one[:room] == "client"
    end
  end

  def told = db[:notices].where(person_id: world.person(:ines)).order(:at, :id).last[:words]

  def run(job, act, name)
    jobs = world.owner[:que_jobs].where(job_class: "AskFirst::Jobs::#{job}")
    jobs.all.each { |one| AskFirst::App.const_get(act).call(dispatcher, process, **{ name => one[:args].to_a[1] }) }
    jobs.delete
  end

  it "is said in the client's room in their name, without what it quotes, and the whole is kept; it is no yes" do
    mail = asked(post)
    whole = "Not on Sundays.\n\nOn Tue, Oct 13, 2026 at 9:40 AM Fernhollow <a@f.example> wrote:\n\n> Ines asks"
    expect(answer(mail[:reply_to], whole)).to eq ["said"]
    expect(said.last).to include(person: "Odile Marchetti", words: "Not on Sundays.", mail: { about_all: false })
    expect(world.stage(post)).to eq "client_approval"
    expect(told).to eq "Odile Marchetti: Not on Sundays."
    kept = world.act("Talk::WholeMail", :wren, remark_id: said.last[:id])
    expect(kept).to include(sender: "odile@quillmere.example", whole: a_string_including("> Ines asks"))
    expect(world.environment.inbox.fetch).to be_empty
  end

  it "never shows the agency the link or the address that it quotes: with them it could answer in the client's name" do
    mail = asked(post)
    link = mail[:text][%r{/review/#(\S+)}, 1]
    answer(mail[:reply_to], "> #{mail[:text].tr("\n", " ")}\nIs it? #{mail[:reply_to]}\n> and that\nNo.")
    shown = [said.last[:words], world.act("Talk::WholeMail", :ines, remark_id: said.last[:id])[:whole], told]
    [link, mail[:reply_to][/\+(\h+)@/, 1]].each { |secret| expect(shown.join).not_to include secret }
    expect(shown).to all include("replies+…@fernhollow.example")
    expect(shown.first).to include "/review/#…"
  end

  it "with “yes” in it is no yes either" do
    answer(asked(post)[:reply_to], "Yes, approved, go ahead!")
    expect([said.last[:words], world.stage(post)]).to eq ["Yes, approved, go ahead!", "client_approval"]
    expect(db[:answers].where(post_id: post, person_id: world.person(:odile)).count).to eq 0
  end

  it "of a mail about several posts stands beside the first that waits; at a post's own address, beside that one" do
    other = world.draft(text: "Low water", wall: "2026-10-16T18:00")
    mail = asked(post, other)
    addresses = mail[:text].scan(/Say something about this one: (\S+)/).flatten
    expect(addresses.uniq.size).to eq 2
    answer(mail[:reply_to], "Good week.")
    expect(said.last).to include(words: "Good week.", mail: { about_all: true })
    answer(addresses.last, "Which water?")
    expect(said(other).last).to include(words: "Which water?", mail: { about_all: false })
  end

  it "brings its files along" do
    to = asked(post)[:reply_to]
    answer(to, "See the log.", files: { "log.txt" => "half visibility" })
    expect(said.last[:files].map { |file| file[:name] }).to eq ["log.txt"]
    answer(to, "", files: { "page.txt" => "Sundays too" })
    expect(said.last[:files].map { |file| file[:name] }).to eq ["page.txt"]
  end

  it "names in the whole mail what it brought and could not be kept; mails within it are left out" do
    to = asked(post)[:reply_to]
    stub_const("AskFirst::App::Talk::SayByMail::MOST_FILES", 1)
    mail = Mail.new(from: "odile@quillmere.example", to: to, body: "Both.")
    mail.add_file(filename: "log.txt", content: "half visibility")
    mail.add_file(filename: "more.txt", content: "the rest")
    mail.attachments["asked.eml"] = { mime_type: "message/rfc822", content: "Subject: yours\r\n\r\nthe private link" }
    answer(to, as: mail.to_s)
    expect(said.last[:files].map { |file| file[:name] }).to eq ["log.txt"]
    whole = world.act("Talk::WholeMail", :ines, remark_id: said.last[:id])[:whole]
    expect(whole).to include "[Not kept: more.txt]"
    expect(whole).not_to include "asked.eml"
  end

  it "that nobody can read is told to its sender and to the asker, by what its head says, and is not kept for ever" do
    to = asked(post)[:reply_to]
    head = "From: odile@quillmere.example\r\nTo: #{to}\r\nMIME-Version: 1.0\r\n"
    nested = (0...2_000).map { |n| "Content-Type: multipart/mixed; boundary=b#{n}\r\n\r\n--b#{n}\r\n" }.join
    packed = "Content-Transfer-Encoding: x-what\r\n\r\nNot on Sundays."
    [nested, packed].each do |rest|
      expect(answer(to, as: "#{head}#{rest}")).to eq ["unreadable"]
      expect(told).to match(/Odile Marchetti was asked, but it could not be read\. It stands in no room\.\z/)
    end
    run("NotTakenMail", "Talk::MailNotTaken", :reply_id)
    expect(mails.last[:text]).to include "Your mail could not be read"
    expect([said, world.environment.inbox.fetch]).to eq [[], []]
  end

  it "counts once, though it is fetched twice, or by two at once" do
    to = asked(post)[:reply_to]
    raw = Mail.new(from: "odile@quillmere.example", to: to, body: "Once.", message_id: "<1@q.example>").to_s
    2.times { answer(to, as: raw) }
    incoming = -> { world.environment.messages.of(raw.sub("Once", "Twice")) }
    Array
      .new(4) { Thread.new { AskFirst::App::Talk::TakeReply.call(world.jobs, incoming.call) } }
      .each { |thread| expect(thread.value).to eq "said" }
    expect(said.map { |one| one[:words] }).to eq %w[Once. Twice.]
  end

  it "goes on when its link was replaced by a newer one, and ends with it" do
    to = asked(post)[:reply_to]
    AskFirst::App::Signoff::MailAsk.call(dispatcher, process, ask_id: @ask, person_id: world.person(:odile))
    expect(answer(to, "Still here.")).to eq ["said"]
    world.act("Signoff::WithdrawAsk", :ines, ask_id: @ask)
    expect(answer(to, "And now?")).to eq ["over"]
    run("NotTakenMail", "Talk::MailNotTaken", :reply_id)
    expect(mails.last).to include(
      to: "odile@quillmere.example",
      subject: "Quillmere Ferries: your mail was not passed on"
    )
    expect(mails.last[:text]).to include "works no more"
  end

  it "from another address or of a sender that was not confirmed stands nowhere; the asker is told" do
    to = asked(post)[:reply_to]
    expect(answer(to, "I am Odile.", from: "deck@quillmere.example")).to eq ["elsewhere"]
    expect(told).to include("what Odile Marchetti was asked, but from deck@quillmere.example", "“I am Odile.”")
    checked = { "Authentication-Results" => "mail.fernhollow.example; dmarc=fail header.from=quillmere.example" }
    expect(answer(to, "Send it all.", head: checked)).to eq ["forged"]
    expect(told).to include "could not be confirmed"
    expect(said).to be_empty
    expect(world.owner[:que_jobs].where(job_class: "AskFirst::Jobs::NotTakenMail").count).to eq 0
    expect(world.acts(post) + db[:record].select_map(:act)).to include "reply_not_taken"
  end

  it "of a machine is nobody's word, and nobody is written to: no loop begins" do
    to = asked(post)[:reply_to]
    expect(answer(to, "I am away.", head: { "Auto-Submitted" => "auto-replied" })).to eq ["automatic"]
    expect(answer(to, "Hello", from: "asks@fernhollow.example", head: { "Precedence" => "bulk" })).to eq ["automatic"]
    expect(said).to be_empty
    expect(world.owner[:que_jobs].where(job_class: "AskFirst::Jobs::NotTakenMail").count).to eq 0
  end

  it "without words, too large, or one of very many is told to its writer, once a day" do
    to = asked(post)[:reply_to]
    expect(answer(to, "> quoted alone")).to eq ["empty"]
    stub_const("AskFirst::Edge::Mail::Inbox::MOST_BYTES", 2_000)
    expect(answer(to, "fog " * 1_000)).to eq ["too_long"]
    stub_const("AskFirst::Core::Talk::Reply::AN_HOUR", 2)
    expect(answer(to, "A third")).to eq ["too_many"]
    sent = mails.size
    run("NotTakenMail", "Talk::MailNotTaken", :reply_id)
    expect(mails.size - sent).to eq 1
    expect(mails.last[:text]).to match(/no words in your mail|too large|Many mails/)
  end

  it "to an address that nobody has is let go; one that breaks is left in the mailbox, and stops no other" do
    expect(answer("replies+#{"0" * 40}@fernhollow.example")).to eq ["nobody's"]
    to = asked(post)[:reply_to]
    allow(AskFirst::App::Talk::SayByMail).to receive(:call).and_wrap_original do |said, *rest, **more|
      raise "broken" if more[:incoming].text.include?("breaks")

      said.call(*rest, **more)
    end
    expect(answer(to, "This one breaks")).to eq ["broken"]
    expect(answer(to, "This one does not")).to eq ["said"]
    expect(world.environment.inbox.fetch.size).to eq 1
  end

  it "its whole is for those of the agency side who see the post" do
    answer(asked(post)[:reply_to])
    id = said.last[:id]
    [%i[odile quillmere], %i[halima brackwater], %i[ines brackwater]].each do |who, client|
      expect(refusal { world.act("Talk::WholeMail", who, client, remark_id: id) }).to be_a AskFirst::Core::NotFound
    end
  end
end

# What the agency says in the client's room reaches those who were asked, by mail.
RSpec.describe "Client talk, told by mail" do
  let(:post) { world.draft(text: "When fog sits #{SecureRandom.hex(4)}") }
  let(:mails) { [] }
  let(:dispatcher) { world.jobs.dup.tap { |environment| environment.mailer = world.environment.mailer } }

  before do
    mails = self.mails
    world.environment.mailer = Class.new { define_method(:deliver) { |**mail| mails << mail } }.new
    %i[mail_replies talk_told que_jobs].each { |table| world.owner[table].delete }
    world.ask(post, 0)
    world.answer(post, :wren)
    @ask = world.ask(post, 1)
  end

  def say(words, who: :ines, room: "client", **more)
    world.clock.set(world.clock.now + 1)
    world.act("Talk::Say", who, post_id: post, room: room, words: words, **more)
  end

  def due = world.owner[:que_jobs].where(job_class: "AskFirst::Jobs::TalkMail")

  def tell(person = :odile)
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    AskFirst::App::Talk::MailTalk.call(dispatcher, process, person_id: world.person(person))
  end

  it "gathers what is said within ten minutes into one mail, with a link, and an address to answer" do
    say("Is that the pier by the café?", who: :maro)
    say("The deck log says so.")
    tell
    expect(mails).to be_empty # not yet
    world.clock.set(SpecWorld::NOON + 620)
    2.times { tell }
    expect(mails.map { |mail| mail[:to] }).to eq ["odile@quillmere.example"]
    mail = mails.first
    expect(mail[:subject]).to eq "Quillmere Ferries: Maro Lindqvist and Ines Calloway said something about one post"
    expect(mail[:text]).to include("Maro Lindqvist: Is that the pier", "Ines Calloway: The deck log", "/review/#")
    expect(mail[:reply_to]).to match(/\Areplies\+\h{40}@fernhollow\.example\z/)
    expect(mail[:text]).not_to include "Fog days" # the subject line is the house's
  end

  it "does not tell what was taken back meanwhile, what is said inside, or what the client says itself" do
    id = say("Wrong room")
    world.act("Talk::RemoveRemark", :ines, remark_id: id)
    say("Between us", room: "house")
    say("We look at it", who: :per)
    world.clock.set(SpecWorld::NOON + 620)
    %i[odile per].each { |person| tell(person) }
    expect(mails).to be_empty
  end

  it "is told at once to whoever is named, and not to who wants no mail about talk" do
    db[:people].where(id: world.person(:per)).update(notices: AskFirst::Store::Database.jsonb({ "talk" => "not" }))
    say("Odile, is it?", mentions: [world.person(:odile)])
    expect(due.count).to eq 1
    tell
    expect(mails.size).to eq 1
    readers = world.act("Posts::PostSheet", :ines, post_id: post, blocks: ["talk"])[:readers][:client]
    expect(readers.to_h { |one| [one[:name], one[:told_at]] }).to include(
      "Per Haugland" => nil,
      "Odile Marchetti" => (SpecWorld::NOON + 601).iso8601
    )
  ensure
    db[:people].where(id: world.person(:per)).update(notices: AskFirst::Store::Database.jsonb({}))
  end

  it "comes when the mail server is back, once, though it took nothing at first and two jobs are due" do
    say("Is that the pier by the café?")
    world.clock.set(SpecWorld::NOON + 620)
    well = world.environment.mailer
    world.environment.mailer = Class.new { define_method(:deliver) { |**| raise Errno::ECONNREFUSED } }.new
    dispatcher.mailer = world.environment.mailer
    expect { tell }.to raise_error Errno::ECONNREFUSED
    dispatcher.mailer = well
    Array.new(2) { Thread.new { tell } }.each(&:join)
    expect(mails.size).to eq 1
  end

  it "reaches nobody whose ask was withdrawn" do
    say("Still there?")
    world.act("Signoff::WithdrawAsk", :ines, ask_id: @ask)
    world.clock.set(SpecWorld::NOON + 620)
    tell
    expect(mails).to be_empty
    say("Anybody?")
    expect(world.act("Posts::PostSheet", :ines, post_id: post, blocks: ["talk"])[:readers][:client]).to be_empty
  end
end
