# frozen_string_literal: true

# How much is asked of the database: the standing is read once, and what was read is not read again. Statements of the acts
# themselves, without the three around each transaction (BEGIN, who asks, COMMIT). Before there was one door a save took 8, an
# answer 28 and a send with one picture 61 with its transactions; half of that is the most that they may take.
RSpec.describe "Statements that an act takes", :database do
  let(:frame) { /\(\d+\.\d+s\) (?:BEGIN|COMMIT|SELECT set_config|PREPARE)/ }

  def statements(db)
    log = StringIO.new
    logger = Logger.new(log)
    db.loggers << logger
    yield
    log.string.lines.grep(/\(\d+\.\d+s\)/)
  ensure
    db.loggers.delete(logger)
  end

  def own(lines) = lines.grep_v(frame).size
  def loads(lines) = lines.grep(/EXECUTE post_standing/).size

  # A statement is prepared once a connection.
  before { world.standing(world.draft) }

  it "saving a part: 4, with the standing read once" do
    post = world.draft
    version = db[:parts].where(post_id: post, part: "text", channel_id: nil).get(:version)
    ines = world.member(:ines)
    lines = statements(world.kit.db) { AskFirst::App::Posts::SavePart.call(world.kit, ines, post_id: post, channel_id: nil, part: "text", value: "Other words", version: version) }
    expect([own(lines), loads(lines)]).to eq [4, 1]
  end

  it "a yes: 12, with the standing read once" do
    post = world.draft
    world.ask(post, 0)
    wren = world.member(:wren)
    input = { line_id: world.line(post)[:id], verdict: "yes", shown: world.shown(post), seen: 0 }
    lines = statements(world.kit.db) { AskFirst::App::Signoff::AnswerAsk.call(world.kit, wren, **input) }
    expect([own(lines), loads(lines)]).to eq [12, 1]
  end

  it "sending one picture to a network: no more than 30 with its transactions, with the standing read once before and once after" do
    post = world.draft(channels: [:ticker])
    world.clear(post)
    world.release(post)
    release = db[:releases].where(post_id: post).first
    kit = world.jobs.dup
    kit.clock = AskFirst::Edge::Clock.new(release[:at] - Time.now + 1)
    lines = statements(kit.db) { AskFirst::App::Dispatch::Advance.call(kit, AskFirst::App::Member.process(world.workspace, "dispatcher"), showing_id: release[:showing_id]) }
    expect(db[:showings].where(id: release[:showing_id]).get(:state)).to eq "out"
    expect(lines.grep_v(/PREPARE/).size).to be <= 30
    expect(loads(lines)).to eq 2
  end
end
