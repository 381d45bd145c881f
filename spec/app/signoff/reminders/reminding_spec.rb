# frozen_string_literal: true

# Missing answers are asked after in working time, once a day at most, and never stand for a yes.
RSpec.describe "Missing answers" do
  let(:post) { world.draft }
  let(:mails) { [] }

  before do
    mails = self.mails
    world.environment.mailer = Class.new { define_method(:deliver) { |**mail| mails << mail } }.new
    world.owner[:reminder_mails].delete
    world.owner[:notices].delete
    world.owner[:ask_lines].where(ended_at: nil).update(ended_at: Time.now, ended_as: "withdrawn")
    world.owner[:ask_line_adaptations].where(ended_as: nil).update(ended_as: "withdrawn")
    world.owner[:asks].update(withdrawn_at: Time.now)
  end

  def sweep(hour, day: 14)
    world.clock.set(Time.utc(2026, 10, day, hour - 1))
    AskFirst::App::Signoff::RemindAsks.call(world.environment.dup.tap { |environment| environment.db = world.jobs.db })
    mail
  end

  # What the queue holds is done now.
  def mail
    jobs = world.owner[:que_jobs].where(finished_at: nil, job_class: "AskFirst::Jobs::ReminderMail")
    jobs.all.each do |job|
      process = AskFirst::App::Member.process(job[:args].to_a[0], "dispatcher")
      AskFirst::App::Signoff::MailReminder.call(world.environment, process, person_id: job[:args].to_a[1])
    end
    jobs.delete
  end

  def ask_client(*posts, due: Time.utc(2026, 10, 15, 15))
    posts.each do |one|
      world.ask(one, 0)
      world.answer(one, :wren)
    end
    world.ask(posts, 1, due_at: due)
  end

  def notices(kind) = db[:notices].where(kind: kind).order(:at).select_map(%i[person_id words])
  def late_for(who) = notices("late").count { |person, _| person == world.person(who) }

  it "reminds at half of the time, in one mail with all that waits, to each of those who have not answered" do
    other = world.draft(text: "Low water at the far pier")
    ask_client(post, other)
    sweep(12)
    expect(mails).to eq []
    sweep(17, day: 14)
    sweep(10, day: 15)
    expect(mails.map { |one| one[:to] }).to match_array %w[odile@quillmere.example per@quillmere.example]
    expect(mails.first[:text]).to include("Still waiting for your yes: 2 posts.", "Low water at the far pier")
    expect(mails.first[:text].scan(%r{/review/#\S+}).size).to eq 1
    expect(world.acts(post)).to include "reminded"
    sweep(11, day: 15)
    expect(mails.size).to eq 2
  end

  it "does not stop whoever is reading: the links of the mails before go on working" do
    ask_client(post)
    ask = world.line(post)[:ask_id]
    first =
      AskFirst::App::Signoff::CreatePass.call(
        world.environment,
        world.member(:ines),
        ask_id: ask,
        person_id: world.person(:odile)
      )
    visit = AskFirst::App::Signoff::ExchangePass.call(world.environment, first)
    sweep(10, day: 15)
    second = mails.find { |one| one[:to].start_with?("odile") }[:text][%r{/review/#(\S+)}, 1]
    [visit, AskFirst::App::Signoff::ExchangePass.call(world.environment, second)].each do |secret|
      expect(AskFirst::App::Signoff::ExchangePass.member(world.environment, secret, nil).ask_id).to eq ask
    end
    pass = db[:guest_passes].where(ask_id: ask, person_id: world.person(:odile)).get(:id)
    world.act("Signoff::RevokePass", :ines, pass_id: pass)
    expect(db[:guest_passes].where(ask_id: ask, person_id: world.person(:odile), revoked_at: nil).count).to eq 0
  end

  it "stops at once when it is answered, and tells nobody of what was answered in time" do
    ask_client(post)
    world.answer(post, :odile)
    sweep(10, day: 15)
    sweep(17, day: 16)
    expect([mails, notices("late")]).to eq [[], []]
  end

  it "tells the asker when the time is over, the leads a while after, each once, and clears nothing" do
    ask_client(post)
    sweep(15, day: 15)
    expect([late_for(:ines), late_for(:tobiah)]).to eq [0, 0]
    sweep(17, day: 15)
    expect([late_for(:ines), late_for(:tobiah)]).to eq [1, 0]
    sweep(9, day: 16)
    expect([late_for(:ines), late_for(:tobiah)]).to eq [1, 0]
    2.times { sweep(14, day: 16) }
    expect([late_for(:ines), late_for(:tobiah)]).to eq [1, 1]
    expect(
      notices("late").first.last
    ).to include "the answer of Odile Marchetti, Per Haugland was due Thu 15 Oct 2026, 16:00 Lisbon"
    expect(world.stage(post)).to eq "client_approval"
  end

  it "says nothing outside of the client's working time" do
    ask_client(post)
    sweep(3, day: 15)
    sweep(12, day: 17) # a Saturday
    expect([mails, notices("late")]).to eq [[], []]
  end

  it "tells a colleague as they like to be told, not by the client's mail" do
    world.ask(post, 0, due_at: Time.utc(2026, 10, 14, 15))
    before = notices("asked").size
    sweep(14)
    expect(mails).to eq []
    expect(notices("asked").last).to match [world.person(:wren), /Ines Calloway still waits for your yes/]
    expect(notices("asked").size).to be > before
  end

  it "several sweeps at once tell each person once" do
    ask_client(post)
    world.clock.set(Time.utc(2026, 10, 15, 9))
    Array.new(3) { Thread.new { AskFirst::App::Signoff::RemindAsks.call(world.jobs) } }.each(&:join)
    expect(world.owner[:que_jobs].where(job_class: "AskFirst::Jobs::ReminderMail").count).to eq 2
    world.owner[:que_jobs].delete
  end

  describe "nudged by hand" do
    it "are reminded now, once a day, with a sentence for the second time" do
      ask_client(post)
      ask = world.line(post)[:ask_id]
      expect(world.act("Signoff::Nudge", :ines, ask_id: ask)).to eq ["Odile Marchetti", "Per Haugland"]
      mail
      expect(mails.size).to eq 2
      error = refusal { world.act("Signoff::Nudge", :tobiah, ask_id: ask) }
      expect([error.code, error.message]).to match ["nudged_today", /Odile and Per had a reminder today/]
      sweep(17)
      expect(mails.size).to eq 2
      world.answer(post, :odile)
      expect(refusal { world.act("Signoff::Nudge", :ines, ask_id: ask) }.code).to eq "nobody_waits"
    end

    it "all that somebody of the client was asked is one mail; a hidden ask among them is not there" do
      other = world.draft(text: "Low water at the far pier")
      [post, other].each { |one| ask_client(one) }
      asks = [post, other].map { |one| world.line(one)[:ask_id] }
      stranger = { ask_ids: [*asks, AskFirst::Core::Uuid.v7(Time.now)] }
      expect(refusal { world.act("Signoff::NudgeAll", :ines, **stranger) }).to be_a AskFirst::Core::NotFound
      ask_client(unseen = world.draft(channels: [:ticker], text: "Fog at the near pier", picture: false))
      elsewhere = world.insider("account lead", limited: [world.channel(:vitrine)])
      ask_client(seen = world.draft(channels: [:vitrine], text: "Fog at the far light"))
      named = [seen, unseen].map { |one| world.line(one)[:ask_id] }
      expect(refusal { world.act("Signoff::NudgeAll", elsewhere, ask_ids: named) }).to be_a AskFirst::Core::NotFound
      expect(mails).to eq []
      expect(world.act("Signoff::NudgeAll", :ines, ask_ids: asks)).to eq ["Odile Marchetti", "Per Haugland"]
      mail
      expect(mails.size).to eq 2
    end

    it "of several asks of a colleague, those that nobody waits for stop none of the others" do
      posts = [post, world.draft(text: "Low water at the far pier")]
      posts.each { |one| world.ask(one, 0) }
      asks = posts.map { |one| world.line(one)[:ask_id] }
      world.answer(posts.first, :wren)
      expect(world.act("Signoff::NudgeAll", :ines, ask_ids: asks)).to eq ["Wren Adeyo"]
      world.answer(posts.last, :wren)
      expect(refusal { world.act("Signoff::NudgeAll", :ines, ask_ids: asks) }.code).to eq "nobody_waits"
    end

    it "two at once send one mail to each" do
      ask_client(post)
      ask = world.line(post)[:ask_id]
      codes =
        Array.new(2) { Thread.new { refusal { world.act("Signoff::Nudge", :ines, ask_id: ask) }&.code } }.map(&:value)
      expect(codes).to match_array [nil, "nudged_today"]
      world.owner[:que_jobs].delete
    end
  end

  describe "withdrawn" do
    it "for one post, the others go on; the last one takes the ask with it" do
      other = world.draft(text: "Low water at the far pier")
      ask_client(post, other)
      ask = world.line(post)[:ask_id]
      world.act("Signoff::WithdrawLine", :ines, ask_id: ask, post_id: post)
      expect([world.line(post)[:ended_as], world.line(other)[:ended_as]]).to eq ["withdrawn", nil]
      expect(db[:asks].where(id: ask).get(:withdrawn_at)).to be_nil
      world.act("Signoff::WithdrawLine", :ines, ask_id: ask, post_id: other)
      expect(db[:asks].where(id: ask).get(:withdrawn_at)).not_to be_nil
    end

    it "are asked again as before, links and all, as long as nobody was told" do
      ask_client(post)
      ask = world.line(post)[:ask_id]
      token =
        AskFirst::App::Signoff::CreatePass.call(
          world.environment,
          world.member(:ines),
          ask_id: ask,
          person_id: world.person(:odile)
        )
      world.act("Signoff::WithdrawAsk", :ines, ask_id: ask)
      expect(world.line(post)[:ended_as]).to eq "withdrawn"
      world.act("Signoff::UndoWithdraw", :ines, ask_id: ask)
      expect(world.line(post)[:ended_as]).to be_nil
      expect { AskFirst::App::Signoff::ExchangePass.call(world.environment, token) }.not_to raise_error
      world.act("Signoff::WithdrawAsk", :ines, ask_id: ask)
      expect(refusal { AskFirst::App::Signoff::ExchangePass.call(world.environment, token) }.code).to eq "ask_withdrawn"
      expect(refusal { world.act("Signoff::UndoWithdraw", :ines, ask_id: ask) }.code).to eq "told_already"
    end

    it "are not asked again once it was changed or asked anew" do
      ask_client(post)
      ask = world.line(post)[:ask_id]
      world.act("Signoff::WithdrawAsk", :ines, ask_id: ask)
      world.ask(post, 1)
      expect(refusal { world.act("Signoff::UndoWithdraw", :ines, ask_id: ask) }.code).to eq "changed_since"
    end

    it "are not asked again at a step that was dropped meanwhile" do
      ask_client(post)
      ask = world.line(post)[:ask_id]
      world.act("Signoff::WithdrawAsk", :ines, ask_id: ask)
      world.act("Signoff::DropStep", :bram, post_id: post, step_id: world.step(1), reason: "Agreed by all")
      expect(refusal { world.act("Signoff::UndoWithdraw", :ines, ask_id: ask) }.code).to eq "changed_since"
      expect(world.line(post)[:ended_as]).to eq "withdrawn"
    end
  end
end
