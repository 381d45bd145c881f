# frozen_string_literal: true

RSpec.describe "One act over several posts" do
  def several(kind, posts, value = nil, who: :ines, **more) =
    world.act("Plan::Several", who, kind: kind, post_ids: posts, value: value, **more)

  def planned(wall = "2026-12-08T12:00", **more) = world.draft(picture: false, channels: [:ticker], wall: wall, **more)
  def wall(post) = db[:parts].where(post_id: post, part: "time", channel_id: nil).get(:value)["wall"]
  def cleared = planned.tap { |post| world.clear(post) }
  def of(found, post) = found.find { |one| one[:post_id] == post }

  it "moves each by days and by its own clock, channels with their own times too" do
    one = planned("2026-10-23T07:30")
    two = world.draft(picture: false, wall: "2026-12-08T12:00")
    world.write(two, "time", { "wall" => "2026-12-09T18:00", "zone" => "Europe/Lisbon" }, who: :ines, on: :vitrine)
    expect(several("move", [one, two], 3).map { |told| told[:done] }).to eq [true, true]
    expect([wall(one), wall(two)]).to eq %w[2026-10-26T07:30:00 2026-12-11T12:00:00]
    own = db[:parts].where(post_id: two, part: "time", channel_id: world.channel(:vitrine)).get(:value)["wall"]
    expect(own).to eq "2026-12-12T18:00:00"
    several("move", [one, two], -3)
    expect([wall(one), wall(two)]).to eq %w[2026-10-23T07:30:00 2026-12-08T12:00:00]
  end

  it "moves each by its own days, spread out, and back" do
    one = planned("2026-12-08T12:00")
    two = planned("2026-12-08T12:00")
    several("move", [one, two], { one => 0, two => 4 })
    expect([wall(one), wall(two)]).to eq %w[2026-12-08T12:00:00 2026-12-12T12:00:00]
    expect(refusal { several("move", [one, two], { one => 1 }) }.code).to eq "bad_days"
  end

  it "puts all to one hour, each on its own day, and says the hour before" do
    one = planned("2026-12-08T12:15")
    two = world.draft(picture: false, wall: "2026-12-09T12:00")
    world.write(two, "time", { "wall" => "2026-12-10T18:00", "zone" => "Europe/Lisbon" }, who: :ines, on: :vitrine)
    found = several("clock", [one, two], "09:30")
    expect([wall(one), wall(two)]).to eq %w[2026-12-08T09:30:00 2026-12-09T09:30:00]
    expect([of(found, one)[:before], of(found, two)[:before]]).to eq ["12:15", nil]
    expect(of(several("clock", [one], "09:30"), one)).to include(done: true, changed: false)
    expect(refusal { several("clock", [one], "25:00") }.code).to eq "bad_clock"
  end

  it "gives them to another owner, and says whose they were" do
    post = planned
    found = several("owner", [post], world.person(:maro))
    expect(of(found, post)).to include(done: true, before: world.person(:ines))
    expect(of(several("owner", [post], "nobody"), post)).to include(done: false, why: /works for this client/)
  end

  it "looked at before, says the same as after, and nothing is written, recorded or told" do
    posts = [planned, planned, cleared]
    gone = planned.tap { |post| world.act("Posts::DiscardPost", :ines, post_id: post) }
    record = -> { db[:record].where(workspace_id: world.workspace).count }
    before = record.call
    dry = several("move", [*posts, gone], 2, dry: true)
    expect([record.call, posts.map { |post| wall(post) }.uniq]).to eq [before, ["2026-12-08T12:00:00"]]
    after = several("move", [*posts, gone], 2)
    expect(dry).to eq after
    expect(of(after, gone)).to include(done: false, why: a_string_including("This post"))
    expect(record.call).to be > before
  end

  it "does to each what can be done, and says of the others why" do
    sent = cleared.tap { |post| world.release(post) }
    db[:showings].where(post_id: sent).update(
      state: "out",
      due_at: nil,
      sent_at: world.environment.now,
      address: "https://t.example/1"
    )
    free = planned
    found = several("move", [sent, free], 1)
    expect(of(found, sent)).to include(done: false, why: /is out/)
    expect(of(found, free)).to include(done: true)
    found = several("release", [free, ready = cleared])
    expect(of(found, free)[:done]).to be false
    expect(of(found, ready)).to include(done: true, was: "cleared", stage: "released")
    expect(of(several("take_back", [ready]), ready)).to include(done: true, stage: "cleared")
  end

  it "says where a yes ends: the stage before and after" do
    db[:workspaces].where(id: world.workspace).update(time_policy: "always")
    post = cleared
    expect(of(several("move", [post], 1, dry: true), post)).to include(was: "cleared", stage: "internal_review").or(
      include(was: "cleared", stage: "drafting")
    )
    expect(world.stage(post)).to eq "cleared"
  ensure
    db[:workspaces].where(id: world.workspace).update(time_policy: "local_date")
  end

  it "labels, takes the label away, sets a campaign; what was so already is no change" do
    posts = [planned, planned]
    world.act("Posts::SetLabels", :ines, post_id: posts.first, names: ["Places"])
    expect(several("label", posts, "places").to_h { |one| one.values_at(:post_id, :changed) }).to eq(
      posts.first => false,
      posts.last => true
    )
    several("unlabel", [posts.last], "Places")
    expect(db[:post_labels].where(post_id: posts).select_map(:post_id)).to eq [posts.first]
    several("campaign", posts, "Winter")
    expect(several("campaign", posts, "Spring").map { |one| one[:before] }).to eq %w[Winter Winter]
  end

  it "copies to other channels and to another client, with days between; looked at before, nothing is made" do
    post = planned("2026-12-08T12:15")
    here = { "workspace_id" => nil, "channel_ids" => [world.channel(:vitrine)], "days" => 7 }
    count = -> { world.owner[:posts].count }
    before = count.call
    expect(several("copy", [post], here, dry: true)).to match [hash_including(done: true)]
    expect(count.call).to eq before
    copy = several("copy", [post], here).first[:made].first
    expect(wall(copy)).to eq "2026-12-15T12:15:00"
    expect(db[:adaptations].where(post_id: copy).select_map(:channel_id)).to eq [world.channel(:vitrine)]
    there = {
      "workspace_id" => world.workspace(:brackwater),
      "channel_ids" => [world.channel(:ticker, :brackwater)],
      "days" => nil
    }
    files = world.owner[:media].count
    expect(several("copy", [post], there, who: :bram, dry: true)).to match [hash_including(done: true, made: [])]
    expect(world.owner[:media].count).to eq files
    made = several("copy", [post], there, who: :bram).first[:made]
    expect(world.owner[:posts].where(id: made).select_map(:workspace_id)).to eq [world.workspace(:brackwater)]
    # where one is no member there is no client
    foreign = there.merge("workspace_id" => world.workspace(fresh_client))
    expect(several("copy", [post], foreign, who: :tobiah).first).to include(done: false, why: /This client/)
  end

  it "discards drafts, and brings them back" do
    draft = planned
    kept = cleared
    found = several("discard", [draft, kept])
    expect([of(found, draft)[:done], of(found, kept)[:done]]).to eq [true, false]
    expect(several("bring_back", [draft])).to match [hash_including(done: true)]
    expect(db[:posts].where(id: draft).get(:discarded_at)).to be_nil
  end

  it "is each one's own: another's post is not there, who may not is told, and nothing else happens" do
    foreign = world.draft(client: :brackwater)
    found = several("move", [foreign, "x", mine = planned], 1)
    expect(found.map { |one| one[:done] }.tally).to eq(false => 2, true => 1)
    expect(of(several("move", [mine], 1, who: :sunniva), mine)).to include(done: false)
    expect(of(several("release", [mine], who: :maro), mine)[:done]).to be false
  end

  it "two at once over the same posts: each post is where one of them put it, and nobody waits for ever" do
    posts = Array.new(4) { planned }
    threads = [1, 1].map { |days| Thread.new { several("move", posts.shuffle, days) } }
    expect(threads.map { |thread| thread.join(20) }).to all be_truthy
    expect(posts.map { |post| wall(post) }.uniq - %w[2026-12-09T12:00:00 2026-12-10T12:00:00]).to eq []
  end

  it "takes 25 at once, by days there are, and only what there is to do" do
    expect(refusal { several("move", Array.new(26) { SecureRandom.uuid }, 1) }.code).to eq "too_many_posts"
    expect([0, 400, "2", nil].map { |days| refusal { several("move", [], days) }.code }.uniq).to eq ["bad_days"]
    expect(refusal { several("send", []) }.code).to eq "bad_kind"
  end
end
