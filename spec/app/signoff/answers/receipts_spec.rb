# frozen_string_literal: true

# Every yes of the client's side is mailed to whom it names, with the way to say that it was not them.
RSpec.describe "Receipts of yeses" do
  let(:post) { world.draft }
  let(:mails) { [] }

  before do
    mails = self.mails
    world.environment.mailer = Class.new { define_method(:deliver) { |**mail| mails << mail } }.new
    # of the examples before
    %i[receipt_answers receipts que_jobs].each { |table| world.owner[table].delete }
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
  end

  def send_receipts
    jobs = world.owner[:que_jobs].where(job_class: "AskFirst::Jobs::ReceiptMail")
    jobs.all.each do |job|
      process = AskFirst::App::Member.process(job[:args].to_a[0], "dispatcher")
      AskFirst::App::Signoff::MailReceipt.call(world.environment, process, receipt_id: job[:args].to_a[1])
    end
    jobs.delete
  end

  def secret = mails.last[:text][/#receipt\.(\S+)/, 1]
  def lines = AskFirst::App::Signoff::ReceiptByLink.call(world.environment, secret)[:lines]

  def disown(line = lines.first)
    AskFirst::App::Signoff::Disown.by_secret(world.environment, secret, line[:id], from: "192.0.2.7")
  end

  def clear_for_odile(reason)
    world.act(
      "Signoff::ClearFor",
      :bram,
      post_id: post,
      step_id: world.step(1),
      person_id: world.person(:odile),
      reason: reason
    )
  end

  it "say all that was said yes to in one sitting, in one mail" do
    other = world.draft(text: "Low water at the far pier")
    world.ask(other, 0)
    world.answer(other, :wren)
    world.ask(other, 1)
    [post, other].each { |one| world.answer(one, :odile) }
    2.times { send_receipts }
    expect(mails.size).to eq 1
    expect(mails.first).to include(to: "odile@quillmere.example", subject: "Quillmere Ferries: you said yes to 2 posts")
    expect(mails.first[:text]).to include("When fog sits", "Low water at the far pier", "Thu 15 Oct, 07:30 · ")
  end

  it "come when the mail server is back; what was said yes to meanwhile has a receipt of its own" do
    world.answer(post, :odile)
    well = world.environment.mailer
    world.environment.mailer = Class.new { define_method(:deliver) { |**| raise Errno::ECONNREFUSED } }.new
    receipt = db[:receipts].where(sent_at: nil).get(:id)
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    mail = -> { AskFirst::App::Signoff::MailReceipt.call(world.environment, process, receipt_id: receipt) }
    expect(&mail).to raise_error Errno::ECONNREFUSED
    other = world.draft(text: "Low water at the far pier")
    world.ask(other, 0)
    world.answer(other, :wren)
    world.ask(other, 1)
    world.answer(other, :odile)
    world.environment.mailer = well
    2.times { mail.call }
    expect(mails.size).to eq 1
    expect(mails.first[:text]).to include "When fog sits"
    expect(mails.first[:text]).not_to include "Low water"
    expect(AskFirst::App::Signoff::ReceiptByLink.call(world.environment, secret)[:lines].size).to eq 1
    expect(db[:receipts].where(sent_at: nil).count).to eq 1
  end

  it "are for yeses of the client's side alone" do
    world.answer(post, :odile, "change", "Shorter")
    expect(world.owner[:receipts].where(sent_at: nil).count).to eq 0
  end

  it "say a yes in somebody's name as what it is" do
    clear_for_odile("By phone, 10:40")
    send_receipts
    expect(mails.last[:text]).to match(/Bram Teodoro said yes in your name on \w+ \d+ \w+, \d\d:\d\d: By phone, 10:40/)
    expect(mails.last[:subject]).to eq "Quillmere Ferries: yes was said in your name to one post"
    expect(lines.first).to include(by: "Bram Teodoro", words: "By phone, 10:40", disowned: false)
  end

  it "name what stands in somebody's name beside their own yeses" do
    other = world.draft(text: "Low water at the far pier")
    world.ask(other, 0)
    world.answer(other, :wren)
    world.ask(other, 1)
    world.answer(other, :odile)
    clear_for_odile("By phone, 10:40")
    send_receipts
    expect(mails.last[:subject]).to eq "Quillmere Ferries: your yes to 2 posts, partly said in your name"
    expect(lines.map { |line| line[:by] }).to contain_exactly(nil, "Bram Teodoro")
  end

  it "in somebody's name, are disowned without stopping their own links; the record says who had said it" do
    clear_for_odile("By phone, 10:40")
    token =
      AskFirst::App::Signoff::CreatePass.call(
        world.environment,
        world.member(:ines),
        ask_id: world.line(post)[:ask_id],
        person_id: world.person(:odile)
      )
    send_receipts
    expect(disown).to eq(stopped: 1, out: 0)
    expect(world.stage(post)).to eq "changes_wanted"
    expect(refusal { AskFirst::App::Signoff::ExchangePass.call(world.environment, token) }).to be_nil
    said = "Odile Marchetti says that the yes which Bram Teodoro gave in their name was not theirs"
    expect(db[:notices].where(kind: "trouble", post_id: post).select_map(:words).uniq).to contain_exactly(
      start_with(said)
    )
    told = world.owner[:record].where(act: "disowned", post_id: post).get(:facts)
    expect(told).to include("by" => "Bram Teodoro", "person" => "Odile Marchetti")
  end

  it "are disowned entry by entry: what else stands on them stays" do
    other = world.draft(text: "Low water at the far pier")
    world.ask(other, 0)
    world.answer(other, :wren)
    world.ask(other, 1)
    [post, other].each { |one| world.answer(one, :odile) }
    send_receipts
    expect(disown(lines.find { |line| line[:text].include?("Low water") })).to eq(stopped: 1, out: 0)
    expect([world.stage(post), world.stage(other)]).to eq %w[cleared changes_wanted]
    expect(lines.to_h { |line| [line[:text][0, 9], line[:disowned]] }).to eq("When fog " => false, "Low water" => true)
    expect(refusal { disown({ id: SecureRandom.uuid }) }).to be_a AskFirst::Core::NotFound
  end

  it "are looked at without changing anything, so that a scanner may open them" do
    world.answer(post, :odile)
    send_receipts
    found = AskFirst::App::Signoff::ReceiptByLink.call(world.environment, secret)
    expect(found).to include(client: "Quillmere Ferries", me: "Odile Marchetti")
    expect(found[:lines].first).to include(
      disowned: false,
      by: nil,
      wall: "2026-10-15T07:30",
      channels: %w[Ticker Vitrine]
    )
    expect(world.stage(post)).to eq "cleared"
    expect(
      refusal { AskFirst::App::Signoff::ReceiptByLink.call(world.environment, "guessed") }
    ).to be_a AskFirst::Core::NotFound
  end

  it "disowned, block, stop every link of that person and tell the leads; once" do
    world.answer(post, :odile)
    world.release(post)
    send_receipts
    token =
      AskFirst::App::Signoff::CreatePass.call(
        world.environment,
        world.member(:ines),
        ask_id: world.line(post)[:ask_id],
        person_id: world.person(:odile)
      )
    expect(disown).to eq(stopped: 1, out: 0)
    expect(world.stage(post)).to eq "changes_wanted"
    expect(world.acts(post)).to include("disowned", "release_ended")
    expect(refusal { AskFirst::App::Signoff::ExchangePass.call(world.environment, token) }.code).to eq "pass_revoked"
    expect(db[:notices].where(kind: "trouble", post_id: post).select_map(:person_id)).to include(
      world.person(:ines),
      world.person(:tobiah)
    )
    answers = db[:answers].where(post_id: post).count
    disown
    expect(db[:answers].where(post_id: post).count).to eq answers
    expect(lines.first[:disowned]).to be true
  end

  it "disowned again after a new yes, stop that one too" do
    world.answer(post, :odile)
    send_receipts
    disown
    line = world.line(post)
    world.act(
      "Signoff::AnswerAsk",
      :odile,
      line_id: line[:id],
      verdict: "yes",
      words: "",
      shown: world.shown(post),
      seen: world.seen(post, :odile)
    )
    expect(world.stage(post)).to eq "cleared"
    expect(disown).to eq(stopped: 1, out: 0)
    expect(world.stage(post)).to eq "changes_wanted"
  end

  it "disowned too late, say what is out and what was stopped" do
    world.answer(post, :odile)
    world.release(post)
    send_receipts
    world.sending(post, network: :ticker)
    expect(disown).to eq(stopped: 1, out: 1)
    expect(world.stages(post)).to include(vitrine: "changes_wanted")
    expect(world.stages(post)[:ticker]).to eq "released"
  end

  it "disowned, stay blocked by asking the same again, until their own yes" do
    world.answer(post, :odile)
    send_receipts
    disown
    world.ask(post, 1)
    expect(world.stage(post)).to eq "changes_wanted"
    world.answer(post, :per)
    expect(world.stage(post)).to eq "changes_wanted"
    world.answer(post, :odile)
    expect(world.stage(post)).to eq "cleared"
  end
end
