# frozen_string_literal: true

# How much is asked of the database: the standing is read once, and what was read is not read again. Statements of the
# acts themselves, without the three around each transaction (BEGIN, who asks, COMMIT). Before there was one door a
# save took 8, an answer 28 and a send with one picture 61 with its transactions; half of that is the most that they
# may take, and two more to lock the client and read again who acts, one more to lock the post before it is read.
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
  before { world.post_state(world.draft) }

  it "saving a part: 7, with the standing read once" do
    post = world.draft
    version = db[:parts].where(post_id: post, part: "text", channel_id: nil).get(:version)
    ines = world.member(:ines)
    lines =
      statements(world.environment.db) do
        AskFirst::App::Posts::UpdatePart.call(
          world.environment,
          ines,
          post_id: post,
          channel_id: nil,
          part: "text",
          value: "Other words",
          version: version
        )
      end
    expect([own(lines), loads(lines)]).to eq [7, 1]
  end

  it "a yes: 13, with the standing read once" do
    post = world.draft
    world.ask(post, 0)
    wren = world.member(:wren)
    input = { line_id: world.line(post)[:id], verdict: "yes", shown: world.shown(post), seen: 0 }
    lines =
      statements(world.environment.db) { AskFirst::App::Signoff::AnswerAsk.call(world.environment, wren, **input) }
    expect([own(lines), loads(lines)]).to eq [13, 1]
  end

  describe "sending" do
    let(:process) { AskFirst::App::Member.process(world.workspace, "dispatcher") }
    let(:environment) do
      world.jobs.dup.tap { |same| same.clock = AskFirst::Edge::Clock.new(Time.utc(2026, 10, 15, 6, 30, 1) - Time.now) }
    end
    let(:sender) { AskFirst::App::Dispatch::Sender.new(environment, name: "counted") }

    # With the transactions' own statements: what the minute costs, since files and card are there before it.
    def at_the_minute(count)
      posts =
        Array.new(count) do
          world.draft(channels: [:ticker], picture: count == 1).tap { |post| world.clear(post) && world.release(post) }
        end
      showings = db[:showings].where(post_id: posts).all
      showings.each { |showing| AskFirst::App::Dispatch::Prepare.call(environment, process, showing: showing) }
      statements(environment.db) do
        taken = AskFirst::App::Dispatch::Claim.call(environment, process, showings: showings, sender: sender)
        AskFirst::App::Dispatch::Keep.call(
          environment,
          process,
          ended: taken.claimed.map { |one| AskFirst::App::Dispatch::Send.call(environment, one, sender) }
        )
        expect(db[:showings].where(post_id: posts).select_map(:state).uniq).to eq ["out"]
      end
    end

    it "one picture to a network: no more than 24 at its minute, with the standing read once before and once after" do
      lines = at_the_minute(1)
      expect(lines.grep_v(/PREPARE/).size).to be <= 24
      expect(loads(lines)).to eq 2
    end

    it "ten posts of a client: no more than 9 for each, with their standings read together" do
      lines = at_the_minute(10)
      expect(lines.grep_v(/PREPARE/).size).to be <= 90
      expect(lines.grep(/EXECUTE posts_standing/).size).to eq 2
    end
  end
end
