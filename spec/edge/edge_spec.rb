# frozen_string_literal: true

RSpec.describe AskFirst::Edge::Secrets do
  let(:secrets) { described_class.new("s" * 96) }

  it "opens what it sealed, and nobody else does" do
    sealed = secrets.seal("token-123")
    expect(sealed.to_s).not_to include "token-123"
    expect(secrets.open(sealed)).to eq "token-123"
    expect { described_class.new("t" * 96).open(sealed) }.to raise_error(Lockbox::DecryptionError)
  end

  it "seals the same token differently each time" do
    expect(secrets.seal("token").to_s).not_to eq secrets.seal("token").to_s
  end

  it "refuses a short secret" do
    expect { described_class.new("short") }.to raise_error(ArgumentError, /64 characters/)
  end
end

RSpec.describe AskFirst::Edge::Clock do
  it "runs on from a moment, and gives the machine's time back for the job queue" do
    clock = described_class.new(-86_400.0)
    expect(clock.now).to be_within(1).of(Time.now - 86_400)
    at = clock.now + 60
    expect(clock.machine_time(at)).to be_within(1).of(Time.now + 60)
  end

  it "measures how far the database's clock is from ours", :database do
    expect(described_class.new.gap(db).abs).to be < 1
  end
end

RSpec.describe AskFirst::Edge::Files::FileStore do
  it "gives back what was put, by id" do
    Dir.mktmpdir do |dir|
      shelf = described_class.new(dir)
      shelf.put("w/a", StringIO.new("bytes"))
      expect(shelf.open("w/a", &:read)).to eq "bytes"
      expect(File.read(shelf.path("w/a"))).to eq "bytes"
    end
  end
end

RSpec.describe AskFirst::Edge::Files::Pictures do
  let(:pictures) { described_class.new }

  it "reads size upright, as people see it" do
    sideways =
      Vips::Image
        .black(300, 200, bands: 3)
        .copy(interpretation: :srgb)
        .mutate { |image| image.set_type!(GObject::GINT_TYPE, "orientation", 6) }
    expect(pictures.inspect(StringIO.new(sideways.jpegsave_buffer))).to eq(mime: "image/jpeg", width: 200, height: 300)
  end

  it "takes JPEG, PNG and WebP, and puts transparent ones on white" do
    glass = Vips::Image.black(40, 40, bands: 4).copy(interpretation: :srgb)
    png = glass.pngsave_buffer
    expect(pictures.inspect(StringIO.new(png))[:mime]).to eq "image/png"
    out = Vips::Image.new_from_buffer(pictures.render(png, { "crop" => [0, 0, 40, 40], "size" => [40, 40] }), "")
    expect(out.getpoint(5, 5).map(&:round)).to eq [255, 255, 255]
    expect(pictures.inspect(StringIO.new(glass.webpsave_buffer))[:mime]).to eq "image/webp"
  end

  it "knows a picture from a page" do
    kind = ->(bytes) { AskFirst::Edge::Files::Kinds.of(bytes) }
    expect(kind.call(Vips::Image.black(4, 4).pngsave_buffer)).to eq "picture"
    expect(kind.call("<html></html>")).to be_nil
    expect(kind.call("<svg xmlns='http://www.w3.org/2000/svg'/>")).to be_nil
  end
end

RSpec.describe AskFirst::Edge::Mail::Mailer, :database do
  it "delivers over SMTP, text and HTML, in UTF-8" do
    described_class.new(world.settings).deliver(
      to: "somebody@quillmere.example",
      subject: "Für später ✓",
      text: "Grüße",
      html: "<p>Grüße</p>"
    )
    mail =
      JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/somebody@quillmere.example.json"))).first
    expect(mail).to include("subject" => "Für später ✓", "text" => "Grüße", "html" => "<p>Grüße</p>")
    expect(mail["from"]).to include "fernhollow.example"
  end
end

RSpec.describe "The mail that asks the client", :database do
  it "names who asks, what for and by when in the client's zone, and its link opens exactly this ask" do
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren)
    id = world.ask(post, 1, message: "For <b>tomorrow</b>.")
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    AskFirst::App::Signoff::MailAsk.call(world.environment, process, ask_id: id, person_id: world.person(:odile))
    mail = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/odile@quillmere.example.json"))).first
    # 24 working hours, at the next quarter
    expect(mail["subject"]).to eq "Quillmere Ferries: one post for your yes by Friday 16 October, 16:30"
    expect(mail["text"]).to include(
      "Hello Odile",
      "Ines Calloway asks for your yes to one post",
      "For <b>tomorrow</b>."
    )
    expect(mail["html"]).to include "For &lt;b&gt;tomorrow&lt;/b&gt;."
    expect(mail["text"]).not_to include "Fog days" # the subject line is the house's
    token = mail["text"][%r{/review/#(\S+)}, 1]
    visit = AskFirst::App::Signoff::ExchangePass.call(world.environment, token)
    expect(AskFirst::App::Signoff::ExchangePass.member(world.environment, visit, nil).ask_id).to eq id
  end

  it "has the posts in it, as they were asked for, readable without pictures; what is the same on channels once" do
    text = "First line\n<b>Second</b> #{SecureRandom.hex(4)}"
    one = world.draft(text: text)
    two = world.draft(text: "The later one", wall: "2026-10-16T18:00", picture: false, channels: [:ticker])
    [one, two].each do |post|
      world.ask(post, 0)
      world.answer(post, :wren)
    end
    id = world.ask([two, one], 1)
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    AskFirst::App::Signoff::MailAsk.call(world.environment, process, ask_id: id, person_id: world.person(:odile))
    mail = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/odile@quillmere.example.json"))).first
    expect(mail["subject"]).to start_with "Quillmere Ferries: 2 posts for your yes"
    said = mail["text"].gsub("\r\n", "\n")
    expect(said).to include("Thu 15 Oct, 07:30 · Ticker, Vitrine\n#{text}\n[Picture: A ferry in fog]")
    expect(said.index("Thu 15 Oct")).to be < said.index("Fri 16 Oct, 18:00 · Ticker\nThe later one")
    expect(said.scan(text).size).to eq 1
    expect(mail["html"]).to include("&lt;b&gt;Second&lt;/b&gt;", "<i>Picture: A ferry in fog</i>")
    expect(mail["html"]).not_to include "<img"
  end

  it "is not sent for an ask that was withdrawn before it left" do
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren)
    id = world.ask(post, 1)
    world.act("Signoff::WithdrawAsk", :ines, ask_id: id)
    before = db[:guest_passes].count
    AskFirst::App::Signoff::MailAsk.call(
      world.environment,
      AskFirst::App::Member.process(world.workspace, "dispatcher"),
      ask_id: id,
      person_id: world.person(:odile)
    )
    expect(db[:guest_passes].count).to eq before
  end
end

RSpec.describe AskFirst::Jobs::Queue, :database do
  it "puts a job in with the data: what is rolled back leaves none" do
    count = -> { db[:que_jobs].count }
    before = count.call
    world
      .environment
      .db
      .transaction(rollback: :always) do
        described_class.new(world.clock).verify(world.workspace, AskFirst::Core::Uuid.v7(Time.now), at: Time.now)
      end
    expect(count.call).to eq before
  end

  it "translates our time to the machine's" do
    clock = AskFirst::Edge::Clock.new(-1_000.0)
    id = AskFirst::Core::Uuid.v7(Time.now)
    described_class.new(clock).verify(world.workspace, id, at: clock.now + 60)
    run_at = db[:que_jobs].where(Sequel.lit("args ->> 1 = ?", id)).get(:run_at)
    expect(run_at).to be_within(2).of(Time.now + 60)
  end
end

RSpec.describe AskFirst::Edge::LiveBus, :database do
  it "reaches those whom it names and nobody else" do
    bus = described_class.connect(world.settings.web_url)
    heard = Queue.new
    bus.bus.subscribe("/workspaces/#{world.workspace}") { |message| heard << message }
    bus.publish(world.workspace, { what: "posts", ids: ["1"] }, to: [world.person(:ines)])
    message = Timeout.timeout(5) { heard.pop }
    expect(message.data).to eq("what" => "posts", "ids" => ["1"])
    expect(message.user_ids).to eq [world.person(:ines)]
  ensure
    bus&.stop
  end
end
