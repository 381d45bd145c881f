# frozen_string_literal: true

# Acts over many posts, done by our own process with the database role that it has.
RSpec.describe "An act over many posts that goes on by itself" do
  def planned(wall = "2026-12-08T12:00", **more) = world.draft(picture: false, channels: [:ticker], wall: wall, **more)
  def cleared = planned.tap { |post| world.clear(post) }
  def wall(post) = db[:parts].where(post_id: post, part: "time", channel_id: nil).get(:value)["wall"]

  def batch(kind, posts, value = nil, who: :ines)
    world.act("Plan::BeginBatch", who, kind: kind, post_ids: posts, value: value)
  end

  def part(id)
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    AskFirst::App::Plan::RunBatch.call(world.jobs, process, batch_id: id)
  end

  def through(id) = (nil while part(id))
  def seen(id, who: :ines) = world.act("Plan::BatchDetail", who, batch_id: id)
  def mine(who) = AskFirst::App::Plan::BatchList.call(world.member(who).scope(world.db))
  def of(id, post) = seen(id)[:posts].find { |one| one["post_id"] == post }

  def ran(kind, posts, value = nil, **more)
    batch(kind, posts, value, **more).tap { |id| through(id) }
  end

  it "is queued with the act, and done in parts" do
    posts = Array.new(27) { planned }
    id = batch("move", posts, 2)
    job = db[:que_jobs].where(job_class: "AskFirst::Jobs::RunBatch").order(:id).last
    expect(job[:args]).to eq [world.workspace, id]
    expect(part(id)).to be true
    expect(posts.map { |post| wall(post) }.tally).to eq("2026-12-10T12:00:00" => 25, "2026-12-08T12:00:00" => 2)
    expect(seen(id)).to include(total: 27, ended: false)
    expect(mine(:ines).find { |one| one[:id] == id }).to include(
      total: 27,
      through: 25,
      done: 25,
      changed: 25,
      ended: false
    )
    expect(part(id)).to be false
    expect(posts.map { |post| wall(post) }.uniq).to eq ["2026-12-10T12:00:00"]
    expect(seen(id)).to include(total: 27, ended: true)
    expect(part(id)).to be false
  end

  it "does all that can be done to several, as whoever asked" do
    posts = [cleared, cleared]
    draft = planned
    name = "Fair #{SecureRandom.hex(2)}"
    steps = [
      ["release", posts, nil],
      ["take_back", posts, nil],
      ["clock", [*posts, draft], "10:15"],
      ["label", [draft], name],
      ["unlabel", [draft], name],
      ["campaign", [draft], name],
      ["owner", [draft], world.person(:maro)],
      ["copy", [draft], { "channel_ids" => [world.channel(:vitrine)], "workspace_id" => nil, "days" => 7 }]
    ]
    steps.each do |kind, ids, value|
      id = ran(kind, ids, value)
      expect([kind, seen(id)[:posts].map { |one| one.values_at("done", "why") }.uniq]).to eq [kind, [[true, nil]]]
    end
    expect(ran("discard", [draft], nil, who: :maro).then { |id| seen(id, who: :maro)[:posts].first["done"] }).to be true
    expect(
      ran("bring_back", [draft], nil, who: :maro).then { |id| seen(id, who: :maro)[:posts].first["done"] }
    ).to be true
    who = db[:record].where(post_id: posts.first, act: "released").order(:order_no).last
    expect(who[:person_id]).to eq world.person(:ines)
  end

  it "asks again who they are: who left meanwhile does nothing more, who may not is told" do
    post = planned
    id = batch("move", [post], 1, who: :maro)
    membership = db[:memberships].where(workspace_id: world.workspace, person_id: world.person(:maro))
    membership.update(ended_at: world.environment.now - 1)
    through(id)
    membership.update(ended_at: nil)
    expect(seen(id, who: :maro)[:posts]).to match [hash_including("done" => false, "why" => /does not work for this/)]
    expect(wall(post)).to eq "2026-12-08T12:00:00"
    id = ran("release", [ready = cleared], nil, who: :maro)
    expect(seen(id, who: :maro)[:posts].first).to include("done" => false, "why" => /release/)
    expect(world.stage(ready)).to eq "cleared"
  end

  it "says of each why it stayed: sent, discarded or sealed meanwhile" do
    sent = cleared
    gone = planned
    free = planned
    id = batch("move", [sent, gone, free], 1)
    world.release(sent)
    db[:showings].where(post_id: sent).update(
      state: "out",
      due_at: nil,
      sent_at: world.environment.now,
      address: "https://t/1"
    )
    world.act("Posts::DiscardPost", :ines, post_id: gone)
    through(id)
    expect(of(id, sent)).to include("done" => false, "why" => /is out/)
    expect(of(id, gone)).to include("done" => false, "why" => a_string_including("This post"))
    expect(of(id, free)).to include("done" => true)
  end

  it "killed in the middle of a part, has done none of it, and does it once" do
    posts = Array.new(3) { planned }
    id = batch("move", posts, 1)
    process = AskFirst::App::Member.process(world.workspace, "dispatcher")
    world
      .jobs
      .db
      .transaction(rollback: :always) { AskFirst::App::Plan::RunBatch.call(world.jobs, process, batch_id: id) }
    expect(posts.map { |post| wall(post) }.uniq).to eq ["2026-12-08T12:00:00"]
    2.times { through(id) }
    expect(posts.map { |post| wall(post) }.uniq).to eq ["2026-12-09T12:00:00"]
  end

  it "worked on twice at once, moves each post once" do
    posts = Array.new(30) { planned }
    id = batch("move", posts, 1)
    threads = Array.new(2) { Thread.new { through(id) } }
    expect(threads.map { |thread| thread.join(30) }).to all be_truthy
    expect(posts.map { |post| wall(post) }.uniq).to eq ["2026-12-09T12:00:00"]
  end

  it "is stopped: what is done stays, the rest is left as it is" do
    posts = Array.new(26) { planned }
    id = batch("move", posts, 1)
    part(id)
    world.act("Plan::StopBatch", :ines, batch_id: id)
    through(id)
    expect(posts.map { |post| wall(post) }.tally.values.sort).to eq [1, 25]
    expect(seen(id)).to include(total: 25, ended: true, stopped: true)
  end

  it "is shown to its maker until they have looked at it, and to nobody else" do
    id = batch("move", [planned], 1)
    world.act("Plan::SeeBatch", :ines, batch_id: id) # not while it goes on
    through(id)
    expect(mine(:ines).map { |one| one[:id] }).to include id
    expect(mine(:maro).map { |one| one[:id] }).not_to include id
    %w[BatchDetail StopBatch SeeBatch].each do |act|
      expect(refusal { world.act("Plan::#{act}", :maro, batch_id: id) }).to be_a AskFirst::Core::NotFound
    end
    world.act("Plan::SeeBatch", :ines, batch_id: id)
    expect(mine(:ines).map { |one| one[:id] }).not_to include id
  end

  it "takes 2,000 posts at most, and only those that are seen" do
    expect(refusal { batch("move", Array.new(2_001) { SecureRandom.uuid }, 1) }.code).to eq "too_many_posts"
    foreign = world.draft(client: :brackwater)
    expect(refusal { batch("move", [planned, foreign], 1) }).to be_a AskFirst::Core::NotFound
    expect(refusal { batch("copy", [planned], { "channel_ids" => [], "days" => nil }) }.code).to eq "no_channel"
  end

  it "leaves our process what it was: outside of it the person's view is not kept" do
    ran("move", [planned], 1)
    expect(world.jobs.db.get(Sequel.lit("current_user"))).to eq "ask_first_jobs"
  end
end
