# frozen_string_literal: true

# What somebody of the client's side is shown behind their link: what changed since they answered, what others said, and
# on which devices.
RSpec.describe "Behind a guest's link" do
  let(:post) { world.draft(channels: [:vitrine]) }

  def asked_of_client(*posts)
    posts.each do |one|
      world.ask(one, 0)
      world.answer(one, :wren)
    end
    world.ask(posts, 1)
  end

  def secret(who = :odile)
    world.act("Signoff::CreatePass", :ines, ask_id: world.line(post)[:ask_id], person_id: world.person(who))
  end

  def review(who = :odile)
    visit = AskFirst::App::Signoff::ExchangePass.call(world.environment, secret(who))
    AskFirst::App::Signoff::Review.call(
      world.environment,
      AskFirst::App::Signoff::ExchangePass.member(world.environment, visit, nil)
    )
  end

  def variant = review[:lines].first[:variants].first
  def unlocked
    ids = world.post_state(post).adaptations.map(&:id)
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: ids)
    yield
  end

  describe "what is different since the reader's own last answer" do
    before do
      asked_of_client(post)
      world.answer(post, :odile, "change", "Say which pier.")
    end

    it "is nothing where they answer for the first time" do
      other = world.draft(channels: [:vitrine], text: "Low water at the far pier")
      asked_of_client(other)
      found =
        AskFirst::App::Signoff::ExchangePass.call(
          world.environment,
          world.act("Signoff::CreatePass", :ines, ask_id: world.line(other)[:ask_id], person_id: world.person(:odile))
        )
      guest = AskFirst::App::Signoff::ExchangePass.member(world.environment, found, nil)
      expect(
        AskFirst::App::Signoff::Review.call(world.environment, guest)[:lines].first[:variants].first[:since]
      ).to be_nil
    end

    it "is told by words and by settings, with what they had said" do
      unlocked do
        world.write(post, "text", "When fog sits on the far pier, the 7:20 does not guess.")
        world.write(post, "time", { "wall" => "2026-10-15T09:00", "zone" => "Europe/Lisbon" }, who: :ines)
      end
      asked_of_client(post)
      since = variant[:since]
      expect(since).to include(verdict: "change", words: "Say which pier.", same: false, text: true, pictures: false)
      expect(since[:runs].reject { |run| run[:kind] == "same" }).to eq [
           { kind: "gone", words: "estuary" },
           { kind: "new", words: "far pier" }
         ]
      expect(since[:lines]).to match [hash_including(key: "time", label: "Time")]
    end

    it "is told by pictures" do
      other = world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture(2), name: "pier.jpg")[:id]
      unlocked do
        world.write(post, "media", [other], who: :sunniva)
        world.write(post, "descriptions", { other => "A pier" }, who: :sunniva)
      end
      asked_of_client(post)
      expect(variant[:since]).to include(text: false, pictures: true, same: false)
    end

    it "is said to be the same where it is" do
      unlocked { nil }
      world.ask(post, 1)
      expect(variant[:since]).to include(same: true)
    end

    it "is each reader's own" do
      unlocked { world.write(post, "text", "When fog sits on the far pier, the 7:20 does not guess.") }
      asked_of_client(post)
      expect(review(:per)[:lines].first[:variants].first[:since]).to be_nil
    end
  end

  it "says what another has answered for the same place, about exactly this" do
    asked_of_client(post)
    expect(review[:lines].first[:others]).to eq []
    world.answer(post, :per)
    expect(review[:lines].first[:others]).to match [hash_including(person: "Per Haugland", verdict: "yes")]
  end

  it "takes what is said about words, and other words that are suggested, into the client's room alone" do
    asked_of_client(post)
    one = world.adaptation(post, :vitrine)
    pin = {
      "kind" => "words",
      "adaptation_id" => one,
      "exact" => "the estuary",
      "prefix" => "sits on ",
      "suffix" => ","
    }
    visit = AskFirst::App::Signoff::ExchangePass.call(world.environment, secret)
    guest = AskFirst::App::Signoff::ExchangePass.member(world.environment, visit, nil)
    said = { line_id: world.line(post)[:id], pin: pin }
    AskFirst::App::Signoff::RemarkOnLine.call(world.environment, guest, words: "Which one?", **said)
    AskFirst::App::Signoff::RemarkOnLine.call(world.environment, guest, words: "", replacement: "the river", **said)
    talk = review[:lines].first[:talk]
    expect(talk.map { |remark| remark.values_at(:about, :instead, :mine) }).to match_array [
                  ["the estuary", nil, true],
                  ["the estuary", "the river", true]
                ]
    remarks = world.act("Posts::PostSheet", :ines, post_id: post, blocks: ["talk"])[:remarks]
    expect(remarks.map { |remark| [remark[:room], remark[:pin][:gone]] }.uniq).to eq [["client", false]]
    expect(remarks.filter_map { |remark| remark[:suggestion] }.map { |one| one[:everywhere][:there] }).to eq [true]
  end

  describe "on a new device, where the client wants a PIN" do
    let(:mails) { [] }

    before do
      mails = self.mails
      world.environment.mailer = Class.new { define_method(:deliver) { |**mail| mails << mail } }.new
      world.owner[:workspaces].where(id: world.workspace).update(review_pin: true)
      asked_of_client(post)
      world.owner[:que_jobs].delete
      world.owner[:guest_pins].delete
      @visit = AskFirst::App::Signoff::ExchangePass.call(world.environment, secret)
    end

    after { world.owner[:workspaces].update(review_pin: false) }

    def send_pin
      jobs = world.owner[:que_jobs].where(job_class: "AskFirst::Jobs::PinMail")
      jobs.all.each do |job|
        process = AskFirst::App::Member.process(job[:args].to_a[0], "dispatcher")
        AskFirst::App::Signoff::MailPin.call(world.environment, process, visit_id: job[:args].to_a[1])
      end
      jobs.delete
      mails.last[:text][/\d{3} \d{3}/]
    end

    def enter = AskFirst::App::Signoff::ExchangePass.member(world.environment, @visit, nil)
    def verify(pin) = AskFirst::App::Signoff::ExchangePass.verify(world.environment, @visit, pin)

    it "shows nothing before the PIN from the mail, and all after it" do
      expect(refusal { enter }.code).to eq "pin_needed"
      pin = send_pin
      expect(mails.last[:to]).to eq "odile@quillmere.example"
      expect(refusal { verify("000 00") }.code).to eq "wrong_pin"
      verify(pin)
      expect(enter.name).to eq "Odile Marchetti"
      other = AskFirst::App::Signoff::ExchangePass.call(world.environment, secret)
      expect(
        refusal { AskFirst::App::Signoff::ExchangePass.member(world.environment, other, nil) }.code
      ).to eq "pin_needed"
    end

    def after(seconds) = world.clock.set(SpecWorld::NOON + seconds)
    def another = AskFirst::App::Signoff::ExchangePass.send_pin(world.environment, @visit)

    it "is over after a quarter of an hour; more than three mails wait for each other" do
      pin = send_pin
      after(16 * 60)
      expect(refusal { verify(pin) }.code).to eq "wrong_pin"
      2.times { another }
      expect(refusal { another }.code).to eq "too_many_pins"
      after((16 * 60) + 61)
      another
      expect(refusal { another }.code).to eq "too_many_pins"
      verify(send_pin)
      expect { enter }.not_to raise_error
    end

    it "that is wrong five times waits, also when it is right then; the waits double" do
      pin = send_pin
      5.times { expect(refusal { verify("123") }.code).to eq "wrong_pin" }
      expect(refusal { verify(pin) }.code).to eq "pin_wait"
      after(61)
      expect(refusal { verify("123") }.code).to eq "wrong_pin"
      after(61 + 61)
      expect(refusal { verify("123") }.code).to eq "pin_wait"
      after(61 + 121)
      another
      verify(send_pin)
      expect { enter }.not_to raise_error
    end

    it "is counted for the person: visits that are opened anew bring neither mails nor tries" do
      link = secret
      visits = Array.new(24) { AskFirst::App::Signoff::ExchangePass.call(world.environment, link) }
      expect(world.owner[:que_jobs].where(job_class: "AskFirst::Jobs::PinMail").count).to eq 3
      codes =
        visits.flat_map do |visit|
          Array.new(2) { refusal { AskFirst::App::Signoff::ExchangePass.verify(world.environment, visit, "123") }.code }
        end
      expect(codes.tally).to eq("wrong_pin" => 5, "pin_wait" => 43)
    end

    it "of which five wrong ones are told to whom the link belongs, and to who asked, once" do
      before = db[:notices].where(person_id: world.person(:ines), kind: "trouble").count
      9.times { refusal { verify("123") } }
      jobs = world.owner[:que_jobs].where(job_class: "AskFirst::Jobs::WrongPinsMail").all
      expect(jobs.map { |job| job[:args].to_a.last }).to eq [5]
      process = AskFirst::App::Member.process(world.workspace, "worker")
      person, tries = jobs.first[:args].to_a.last(2)
      AskFirst::App::Signoff::MailWrongPins.call(world.jobs, process, person_id: person, tries: tries)
      expect(mails.last).to match(hash_including(to: "odile@quillmere.example", subject: /wrong PINs/))
      told = db[:notices].where(person_id: world.person(:ines), kind: "trouble")
      expect([told.count - before, told.order(:id).last[:words]]).to match [1, /5 wrong PINs .* Odile Marchetti/]
    end

    it "tried twice at once counts as two" do
      send_pin
      4.times { refusal { verify("123") } }
      codes = Array.new(4) { Thread.new { refusal { verify("123") }.code } }.map(&:value)
      expect(codes.tally).to eq("wrong_pin" => 1, "pin_wait" => 3)
    end

    it "is not in the database, where only a digest of it lies" do
      pin = send_pin
      expect(db[:guest_visits].exclude(pin_digest: nil).first[:pin_digest].bytesize).to eq 32
      expect(db[:guest_visits].all.to_s).not_to include pin.delete(" ")
    end
  end

  describe "the links of a client" do
    it "are listed with their devices, stopped, and sent anew" do
      asked_of_client(post)
      review
      review
      found = world.act("Signoff::PassList", :ines)[:passes].select { |one| one[:ask_id] == world.line(post)[:ask_id] }
      expect(found).to match [hash_including(person: "Odile Marchetti", devices: 1, posts: 1, step: "The client's yes")]
      world.owner[:que_jobs].delete
      world.owner[:guest_pins].delete
      world.act("Signoff::RenewPass", :ines, pass_id: found.first[:id])
      expect(db[:que_jobs].where(job_class: "AskFirst::Jobs::AskMail").count).to eq 1
      world.act("Signoff::WithdrawAsk", :ines, ask_id: found.first[:ask_id])
      expect(refusal { world.act("Signoff::RenewPass", :ines, pass_id: found.first[:id]) }.code).to eq "ask_over"
    end
  end
end
