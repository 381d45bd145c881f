# frozen_string_literal: true

# Every pair of acts that touch the same post, at their worst moment: both have begun and wait for the post, which
# somebody else holds; then it is let go. None of them may be lost in a deadlock, a stop stops, and what is cached
# afterwards is what the judge says.
RSpec.describe "Two acts on one post at once" do
  let(:client) { fresh_client }
  let(:own) { world.workspace(client) }
  let(:channel) { connected(client) }
  let(:leaflet) do
    world.act("Channels::AddOffline", :ines, client, name: "Leaflet", initials: "Lf", limit: 400, pictures: 1)
  end

  # One that is released on both channels, anew for each pair.
  attr_reader :released

  def release_one
    one_step_route(client) if world.step(0, client).nil?
    @released = plain_post(client, [channel, leaflet])
    world.ask(released, 0, client: client)
    world.answer(released, :bram, client: client)
    world.release(released, client: client)
  end

  def act(name, who = :ines, **input) = world.act(name, who, client, **input)
  def ids = db[:adaptations].where(post_id: released).select_map(:id)
  def settings = { version: db[:workspaces].where(id: own).get(:version) }

  def time(day)
    { "wall" => "2026-10-#{day}T09:00", "zone" => "Europe/Lisbon" }
  end

  let(:acts) do
    {
      "opens it" => -> { act("Posts::OpenPost", post_id: released, adaptation_ids: ids) },
      "takes it back" => -> { act("Dispatch::TakeBack", post_id: released) },
      "releases it" => -> { act("Dispatch::Release", post_id: released) },
      "moves it" => -> do
        at = db[:parts].where(post_id: released, part: "time").first
        act(
          "Posts::UpdatePart",
          post_id: released,
          channel_id: nil,
          part: "time",
          value: time(20),
          version: at[:version]
        )
      end,
      "holds the client" => -> { act("Signoff::Hold", reason: "Storm") },
      "holds the channel" => -> { act("Signoff::Hold", reason: "Storm", channel_id: channel) },
      "lifts the hold" => -> do
        hold = db[:holds].where(workspace_id: own, lifted_at: nil, channel_id: leaflet).get(:id)
        act("Signoff::LiftHold", hold_id: hold)
      end,
      "wants a change" => -> do
        act(
          "Signoff::AnswerAsk",
          :bram,
          line_id: world.line(released)[:id],
          verdict: "change",
          words: "Not so",
          shown: world.shown(released),
          seen: 10_000_000
        )
      end,
      "changes the days that count" => -> { act("Clients::UpdateSettings", zone: "Asia/Tokyo", **settings) },
      "changes the route" => -> { change_route(client, steps("Read it twice")) },
      "archives the channel" => -> { act("Channels::ArchiveChannel", channel_id: leaflet) },
      "archives the client" => -> { act("Clients::Archive") },
      "sets a block aside" => -> do
        said = { step_id: world.step(0, client), person_id: world.person(:maro), reason: "They have left" }
        act("Signoff::SetAside", :bram, post_id: released, **said)
      end,
      "ends a membership" => -> { act("People::EndMember", membership_id: leaver) },
      "refreshes who came back" => -> do
        process = AskFirst::App::Member.process(own, "worker")
        AskFirst::App::Signoff::RefreshAsked.call(world.jobs, process, person_id: world.person(:bram))
      end,
      "refreshes the channel" => -> do
        process = AskFirst::App::Member.process(own, "worker")
        AskFirst::App::Signoff::RefreshChannel.call(world.jobs, process, channel_id: channel)
      end
    }
  end

  # Somebody new who is asked at the step, too.
  def leaver
    _, person, membership = world.somebody("account lead", client: client)
    ask = world.line(released)[:ask_id]
    world.owner[:ask_people].insert(workspace_id: own, ask_id: ask, person_id: person)
    membership
  end

  def steps(name)
    step = { "side" => "internal", "quorum" => "any", "n" => nil, "hours" => 9, "required" => true }
    [step.merge("name" => name, "four_eyes" => false, "people" => [world.person(:bram)])]
  end

  # @return [Symbol, String] :done, the code of a refusal, or what went wrong
  def outcome
    yield
    :done
  rescue AskFirst::Core::Error => e
    e.code
  rescue Sequel::Error => e
    "#{e.class}: #{e.message[0, 200]}"
  end

  def waiting = world.owner[:pg_locks].where(granted: false).count

  # @return [Array] what became of both
  def at_once(one, other)
    threads = nil
    world.owner.transaction do
      world.owner[:posts].where(id: released).for_update.all
      threads = [one, other].map { |act| Thread.new { outcome(&act) } }
      20.times { sleep 0.01 unless waiting >= 2 || threads.none?(&:alive?) }
    end
    threads.map(&:value)
  end

  # Nothing is promised any more where it has ended.
  def left_standing
    live = db[:releases].where(Sequel[:releases][:workspace_id] => own, :ended_at => nil)
    ended = db[:workspaces].where(id: own).get(:archived_at)
    gone = db[:channels].where(workspace_id: own).exclude(archived_at: nil).select_map(:id)
    in_gone = live.join(:adaptations, id: :adaptation_id).where(channel_id: gone).count
    open = db[:ask_lines].where(workspace_id: own, ended_at: nil).count
    [ended ? live.count + open : 0, in_gone]
  end

  before do
    stub_const("AskFirst::App::Act::CONFLICTS", 0) # one that had to be done again would show
  end

  names = [
    "opens it",
    "takes it back",
    "releases it",
    "moves it",
    "holds the client",
    "holds the channel",
    "lifts the hold",
    "wants a change",
    "changes the days that count",
    "changes the route",
    "archives the channel",
    "archives the client",
    "sets a block aside",
    "ends a membership",
    "refreshes who came back",
    "refreshes the channel"
  ]

  it "are all of those that are described here" do
    expect(acts.keys).to eq names
  end

  names.each_with_index do |name, first|
    it "#{name}, against each that comes after it, and itself" do
      one = acts.fetch(name)
      acts
        .drop(first)
        .each do |other_name, other|
          reset
          found = at_once(one, other)
          both = "#{name}, #{other_name}"
          expect([both, found.grep(/Sequel/)]).to eq [both, []]
          expect([both, left_standing]).to eq [both, [0, 0]]
          holds = found.zip([name, other_name]).count { |what, who| what == :done && who.start_with?("holds") }
          expect([both, db[:holds].where(workspace_id: own, lifted_at: nil).count]).to match [both, be >= holds]
          expect([both, stale]).to eq [both, []]
        end
    end
  end

  def stale
    scope = AskFirst::App::Member.process(own, "worker").scope(world.jobs.db)
    scope.transaction do
      AskFirst::Store::Posts::PostState
        .load(scope, [released], world.environment.now)
        .values
        .flat_map(&:adaptations)
        .filter_map { |one| [one.row[:stage], one.stage] if one.row[:stage] != one.stage }
    end
  end

  # As it was before, with a hold that can be lifted, and another post.
  def reset
    db[:workspaces].where(id: own).update(archived_at: nil, archived_by: nil, zone: "Europe/Lisbon")
    db[:channels].where(workspace_id: own).update(archived_at: nil)
    db[:holds].where(workspace_id: own, lifted_at: nil).update(
      lifted_at: world.environment.now,
      lifted_by: world.person(:ines)
    )
    release_one
    act("Signoff::Hold", reason: "Quiet", channel_id: leaflet)
  end
end
