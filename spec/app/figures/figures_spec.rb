# frozen_string_literal: true

# The figures of sign-off: whose they are, and what the client sees of them.
RSpec.describe "Figures of sign-off" do
  let(:days) { { from: "2026-10-01", to: "2026-10-31" } }

  before(:context) do # the same world for all of them
    world = SpecWorld.shared(__FILE__)
    world.clock.set(SpecWorld::NOON)
    one = world.draft
    two = world.draft(channels: [:ticker], wall: "2026-10-16T18:00")
    [one, two].each do |post|
      world.ask(post, 0)
      world.clock.set(world.clock.now + 3_600)
      world.answer(post, :wren)
      world.ask(post, 1)
    end
    world.clock.set(world.clock.now + 7_200)
    world.answer(one, :odile)
    world.answer(two, :per, "change", "The other pier")
    withdrawn = world.draft(wall: "2026-10-20T08:00")
    world.act("Signoff::WithdrawAsk", :ines, ask_id: world.ask(withdrawn, 0))
  end

  before { world.clock.set(SpecWorld::NOON + 86_400) }

  def of_client(who = :ines, client = :quillmere, **more) = world.act("Figures::OfClient", who, client, **days, **more)

  it "are of what was asked in the period; what was withdrawn counts for nothing" do
    found = of_client
    expect(found[:posts]).to eq(asked: 2, back: 1, cleared: 1, first_time: 1)
    expect(found[:steps].map { |step| step.values_at(:side, :asked, :back) }).to eq [
         ["internal", 2, 0],
         ["client", 2, 1]
       ]
    expect(found[:steps].first[:time]).to eq(n: 2, median: 1.0, p90: 1.0)
    expect(found[:people].map { |one| one[:name] }).to include("Wren Adeyo", "Odile Marchetti", "Per Haugland")
    expect(of_client(from: "2026-09-01", to: "2026-09-30")[:posts][:asked]).to eq 0
  end

  it "of all clients are a line each, the same numbers" do
    scope =
      AskFirst::Store::Scope.new(
        world.environment.db,
        workspace_ids: [world.workspace, world.workspace(:brackwater)],
        person_id: world.person(:ines),
        side: "agency"
      )
    all = AskFirst::App::Figures::OfClients.call(world.environment, scope, **days)[:clients]
    quillmere = all.find { |one| one[:name] == "Quillmere Ferries" }
    expect(quillmere[:posts]).to eq of_client[:posts]
    expect(quillmere[:client][:time]).to eq of_client[:steps].last[:time]
    expect(all.find { |one| one[:workspace_id] == world.workspace(:brackwater) }[:posts][:asked]).to eq 0
  end

  it "are the client's side's once they are shared: its own steps and people, nobody and nothing of the house" do
    expect(refusal { of_client(:odile) }).to be_a AskFirst::Core::NotFound
    world.act("Figures::ShareFigures", :ines, shared: true)
    world.act("Figures::ShareFigures", :ines, shared: true) # twice changes nothing
    theirs = of_client(:odile)
    expect(theirs[:steps].map { |step| step[:side] }).to eq ["client"]
    expect(theirs.to_json).not_to include("Wren")
    expect(theirs.except(:follows)).to eq of_client(:ines, theirs: true).except(:follows)
    expect(db[:record].where(act: "figures_shared").count).to eq 1
    world.act("Figures::ShareFigures", :ines, shared: false)
    expect(refusal { of_client(:odile) }).to be_a AskFirst::Core::NotFound
  ensure
    db[:workspaces].where(id: world.workspace).update(figures_shared: false)
  end

  it "of a member who is limited to channels are of the posts that they see; sharing is not theirs" do
    limited = AskFirst::App::Member.new(**world.member(:wren).to_h, limited_to: [world.channel(:vitrine)])
    expect(of_client(limited)[:posts][:asked]).to eq 1
    expect(refusal { world.act("Figures::ShareFigures", limited, shared: true) }).to be_a AskFirst::Core::Refused
    expect(refusal { world.act("Figures::ShareFigures", :odile, shared: true) }).to be_a AskFirst::Core::Refused
  end

  it "are of a year at most, from a day to a later one" do
    [%w[2026-10-31 2026-10-01], %w[2025-01-01 2026-10-31], %w[nonsense 2026-10-31]].each do |from, to|
      expect(refusal { of_client(from: from, to: to) }).to be_a AskFirst::Core::Invalid
    end
  end
end
