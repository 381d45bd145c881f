# frozen_string_literal: true

RSpec.describe "The Desk" do
  def desk(who, clients: %i[quillmere brackwater], **more)
    scope =
      AskFirst::Store::Scope.new(
        world.environment.db,
        workspace_ids: clients.map { |client| world.workspace(client) },
        person_id: world.person(who),
        side: "agency"
      )
    AskFirst::App::Agency::Desk.call(world.environment, scope, **more)
  end

  def subjects(rows) = rows.map { |row| row[:post][:id] }

  it "shows what waits for me and, to the others, whom it waits for and since when" do
    post = world.draft
    world.ask(post, 0, who: :tobiah)
    expect(subjects(desk(:wren)[:asked])).to include post
    expect(subjects(desk(:ines)[:asked])).to include post
    group = desk(:tobiah)[:waits_for_others].find { |one| one[:lines].any? { |line| line[:post][:id] == post } }
    expect(group).to include(person: "Ines Calloway or Wren Adeyo", side: "internal")
    world.answer(post, :wren)
    expect(subjects(desk(:wren)[:asked])).not_to include post
  end

  it "says when they were last reminded of it" do
    client = fresh_client
    channel = connected(client)
    one_step_route(client)
    world.ask(plain_post(client, channel), 0, client: client)
    ask = db[:asks].where(workspace_id: world.workspace(client)).get(:id)
    group = -> { desk(:ines, clients: [client])[:waits_for_others].first }
    expect(group.call).to include(person: "Bram Teodoro", reminded_at: nil)
    world.act("Signoff::Nudge", :ines, client, ask_id: ask)
    expect(group.call[:reminded_at]).to eq world.environment.now.iso8601
  end

  it "shows a task to its person, until it is done" do
    post = world.draft
    id =
      world.act(
        "Traffic::AssignTask",
        :ines,
        post_id: post,
        kind: "picture",
        title: "A picture",
        person_id: world.person(:sunniva),
        due: {
          "wall" => "2026-10-14T16:00",
          "zone" => "Europe/Lisbon"
        }
      )
    expect(desk(:sunniva)[:tasks].map { |task| task[:id] }).to include id
    world.act("Traffic::FinishTask", :sunniva, task_id: id)
    expect(desk(:sunniva)[:tasks].map { |task| task[:id] }).not_to include id
  end

  it "shows what came back, what can be released, and what goes next" do
    back = world.draft
    world.ask(back, 0)
    world.answer(back, :wren, "change", "Shorter")
    cleared = world.draft
    world.clear(cleared)
    gone = world.draft(channels: [:ticker])
    world.clear(gone)
    world.release(gone)
    mine = desk(:ines)
    expect(mine[:came_back].map { |post| post[:id] }).to include back
    expect(mine[:can_release].map { |post| post[:id] }).to include cleared
    expect(mine[:next_out].map { |row| row[:post_id] }).to include gone
  end

  it "shows one's own posts whose next step nobody was asked for, until somebody is" do
    post = world.draft
    world.ask(post, 0)
    expect(desk(:ines)[:to_ask].map { |one| one[:id] }).not_to include post
    world.answer(post, :wren)
    expect(desk(:ines)[:to_ask].map { |one| one[:id] }).to include post
    expect(desk(:tobiah)[:to_ask].map { |one| one[:id] }).not_to include post
    world.ask(post, 1)
    expect(desk(:ines)[:to_ask].map { |one| one[:id] }).not_to include post
  end

  it "counts what there is, not what it shows; a list that is cut opens whole; the switcher counts the same" do
    before = desk(:maro)[:counts]
    clock = db[:tasks].count
    post = world.draft
    42.times do |n|
      world.act(
        "Traffic::AssignTask",
        :ines,
        post_id: post,
        kind: "copy",
        title: "Copy #{n}",
        person_id: world.person(:maro),
        due: {
          "wall" => "2026-10-20T16:00",
          "zone" => "Europe/Lisbon"
        }
      )
    end
    expect(db[:tasks].count - clock).to eq 42
    cut = desk(:maro)
    expect([cut[:counts][:tasks], cut[:tasks].size]).to eq [before[:tasks] + 42, 30]
    expect(desk(:maro, whole: %w[tasks])[:tasks].size).to eq before[:tasks] + 42
    scope =
      AskFirst::Store::Scope.new(
        world.environment.db,
        workspace_ids: [world.workspace, world.workspace(:brackwater)],
        person_id: world.person(:maro),
        side: "agency"
      )
    waits = AskFirst::App::Agency::Waits.call(scope)[:waits].sum { |one| one[:waits] }
    expect(waits).to eq cut[:counts].values_at(:asked, :tasks, :to_ask, :came_back, :opened, :by_hand).sum
    db[:tasks].where(post_id: post).update(done_at: world.environment.now, done_by: world.person(:maro))
  end

  it "what is to be published by hand waits for the post's owner alone, until somebody has taken it up" do
    post = world.draft(channels: [:ticker], picture: false).tap { |one| world.clear(one) && world.release(one) }
    db[:showings].where(post_id: post).update(state: "by_hand", due_at: nil)
    by_hand = ->(who) { desk(who)[:by_hand].map { |row| row[:post_id] } }
    expect([by_hand.call(:ines), by_hand.call(:tobiah)]).to match [include(post), []]
    db[:showings].where(post_id: post).update(claimed_by: world.person(:tobiah), claimed_at: world.environment.now)
    expect([by_hand.call(:ines).include?(post), by_hand.call(:tobiah)]).to eq [false, [post]]
    db[:showings].where(post_id: post).update(state: "planned", claimed_by: nil, claimed_at: nil)
  end

  it "what is to be published by hand waits for whom the client's settings name, instead of the owner" do
    post = world.draft(channels: [:ticker], picture: false).tap { |one| world.clear(one) && world.release(one) }
    db[:showings].where(post_id: post).update(state: "by_hand", due_at: nil)
    db[:workspaces].where(id: world.workspace).update(publisher_id: world.person(:tobiah))
    by_hand = ->(who) { desk(who)[:by_hand].map { |row| row[:post_id] } }
    expect([by_hand.call(:ines).include?(post), by_hand.call(:tobiah)]).to eq [false, [post]]
    held = db[:memberships].where(workspace_id: world.workspace, person_id: world.person(:tobiah))
    lead = held.get(:role_id)
    watcher =
      db[:roles].where(id: lead).first.except(:id).merge(id: SecureRandom.uuid, name: "watcher", is_preset: false)
    world.owner[:roles].insert(watcher.merge(abilities: Sequel.pg_array(%w[see], :text)))
    held.update(role_id: watcher[:id])
    expect([by_hand.call(:ines), by_hand.call(:tobiah)]).to match [include(post), []]
    held.update(role_id: lead)
    db[:workspaces].where(id: world.workspace).update(publisher_id: nil)
    db[:showings].where(post_id: post).update(state: "planned")
  end

  it "keeps to the chosen client" do
    post = world.draft(client: :brackwater)
    world.ask(post, 0, client: :brackwater, who: :tobiah)
    expect(subjects(desk(:wren, clients: [:quillmere])[:asked])).not_to include post
    expect(subjects(desk(:wren, clients: [:brackwater])[:asked])).to include post
  end

  it "alarms while the dispatcher is silent and something is due, and not otherwise" do
    post = world.draft(channels: [:ticker])
    world.clear(post)
    world.release(post)
    world.clock.set(Time.utc(2026, 10, 15, 6))
    sender = AskFirst::App::Dispatch::Sender.new(world.jobs, name: "a dispatcher")
    worker = AskFirst::App::Dispatch::WorkerHeartbeat.new(world.jobs, name: "a worker")
    [sender, worker].each(&:begin)
    expect(alarm).to be_nil
    world.clock.set(Time.utc(2026, 10, 15, 6, 1))
    expect(alarm).to include "silent since 06:00:00"
  end

  it "alarms while there is no worker and something waits for one, and says that what is released still goes out" do
    db[:que_jobs].delete
    db[:workers].delete
    world.clock.set(SpecWorld::NOON)
    world.act("People::Invite", :ines, addresses: "w#{SecureRandom.hex(3)}@fernhollow.example", role_id: role)
    sender = AskFirst::App::Dispatch::Sender.new(world.jobs, name: "another dispatcher")
    alive_at = ->(at) do
      world.clock.set(SpecWorld::NOON + at)
      sender.heartbeat
    end
    sender.begin
    alive_at.call(59)
    expect(alarm).to be_nil
    alive_at.call(61)
    expect(alarm).to eq(
      "No worker has started yet: mails, reminders, pictures and feeds wait. What is released still goes out."
    )
    worker = AskFirst::App::Dispatch::WorkerHeartbeat.new(world.jobs, name: "a worker")
    worker.begin
    expect(alarm).to be_nil
    alive_at.call(91)
    expect(alarm).to match(/\ANo worker has been heard of since 09:21:01 UTC/)
    worker.call
    expect(alarm).to be_nil
    worker.stop
    expect(alarm).to match(/No worker/)
  end

  def role = db[:roles].where(name: "assistant").get(:id)

  def alarm
    scope =
      AskFirst::Store::Scope.new(
        world.environment.db,
        workspace_ids: [world.workspace],
        person_id: world.person(:ines),
        side: "agency"
      )
    AskFirst::App::Dispatch::Alarm.of(world.environment, scope)
  end

  it "takes the same number of queries for one post and for many, as the web's role asks them" do
    web = world.environment.db
    expect(web.get(Sequel.lit("current_user"))).to eq "ask_first_web"
    count =
      lambda do
        queries = 0
        logger = Object.new
        logger.define_singleton_method(:info) do |line|
          queries += 1 if line.match?(/SELECT|EXECUTE/) && !line.include?("set_config")
        end
        %i[debug warn error].each { |level| logger.define_singleton_method(level) { |_| nil } }
        web.loggers << logger
        desk(:ines)
        queries
      ensure
        web.loggers.delete(logger)
      end
    world.draft.tap { |post| world.ask(post, 0, who: :tobiah) }
    desk(:ines) # statements are prepared once a connection
    before = count.call
    3.times { world.draft.tap { |post| world.ask(post, 0, who: :tobiah) } }
    expect(count.call).to eq before
  end
end
