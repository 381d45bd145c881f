# frozen_string_literal: true

# Feeds of a client: set up, tried, begun; each item comes in once.
RSpec.describe "The feeds of a client" do
  let(:client) { fresh_client }
  let(:workspace) { world.workspace(client) }
  # What stands at the feed's address now.
  let(:there) { [] }
  let(:feed_door) do
    lambda do |_, **asked|
      (@asked ||= []) << asked
      raise @fault if @fault

      items = @same ? nil : there.dup
      AskFirst::Edge::Feeds::Fetch::Reply.new(
        title: "Boats",
        items: items,
        address: "x",
        etag: @etag || '"1"',
        wait: nil
      )
    end
  end
  let(:environment) do
    door = feed_door
    world.jobs.dup.tap do |same|
      same.feeds = Class.new { define_method(:call) { |address, **more| door.call(address, **more) } }.new
    end
  end

  def item(number, **more)
    said = {
      id: number.to_s,
      title: "News #{number}",
      words: "Lamps",
      at: Time.utc(2026, 10, 1) + (number * 60),
      **more
    }
    AskFirst::Core::Feeds::FeedItem.new(**said)
  end

  def save(who = :ines, id: nil, **said)
    version = id ? db[:feeds].where(id: id).get(:version) : 0
    world.act("Feeds::SaveFeed", who, client, fields: said.transform_keys(&:to_s), feed_id: id, version: version)[:id]
  end

  def read(id) =
    AskFirst::App::Feeds::ReadFeed.call(
      environment,
      AskFirst::App::Member.process(workspace, "dispatcher"),
      feed_id: id
    )
  def ideas = db[:ideas].where(workspace_id: workspace).order(:id).select_map(:title)
  def feed(id) = world.act("Feeds::FeedList", :ines, client)[:feeds].find { |one| one[:id] == id }

  def code
    yield
    nil
  rescue AskFirst::Core::Error => e
    [e.code, e.field].compact
  end

  def begun(take: 0, **said)
    id = save(address: "https://boats.example/feed", **said)
    read(id)
    save(id: id, begin: true, take: take)
    read(id)
    id
  end

  it "is read when it is set up, so that its rule can be tried, and nothing comes in before it is begun" do
    there.push(item(2), item(1, title: "Fog timetable"))
    id = save(address: "https://boats.example/feed")
    expect(db[:que_jobs].where(job_class: "AskFirst::Jobs::ReadFeed").select_map(:args).flatten).to include(id)
    read(id)
    expect(ideas).to eq []
    tried =
      world.act("Feeds::TryRule", :ines, client, feed_id: id, rule: { "without" => ["fog"], "title" => "{title}!" })
    expect(tried.map { |one| one.values_at(:passes, :title) }).to eq [[true, "News 2!"], [false, "Fog timetable!"]]
    expect(feed(id)).to include(state: "fine", begun: false, found: 2, name: "boats.example")
  end

  it "takes what comes after it was begun, the oldest first, by its rule, and each item once" do
    there.push(item(1))
    id = begun(rule: { "needs" => ["lamps"] })
    expect(ideas).to eq []
    there.unshift(item(4), item(3, words: "Boats"), item(2))
    2.times { read(id) }
    expect(ideas).to match_array ["News 2", "News 4"]
    expect(feed(id)).to include(
      counts: {
        "idea" => 2,
        "passed" => 1
      },
      latest: contain_exactly(include(title: "News 4"), include(title: "News 2"))
    )
    there.map! { |one| one.dup.tap { |same| same.id = "new #{one.id}" } }
    read(id)
    expect(ideas.size).to eq 2
    there.map! { |one| one.dup.tap { |same| same.title = "#{one.title}, changed" } } # known by its new id meanwhile
    read(id)
    expect(ideas.size).to eq 2
  end

  it "takes some of what was there before where that is wanted" do
    there.push(item(3), item(2), item(1))
    begun(take: 2)
    expect(ideas).to match_array ["News 2", "News 3"]
  end

  it "makes drafts with picture and link, as whoever set it up" do
    channel = connected(client)
    picture = SpecWorld.picture(3).string
    environment.pages =
      Class
        .new do
          define_method(:get) do |*, **|
            AskFirst::Edge::Pages::Reader::Page.new(status: 200, body: picture, cut: false)
          end
        end
        .new
    id = begun(makes: "draft", channel_id: channel)
    there.push(item(1, picture: "https://boats.example/lamp.jpg", address: "https://boats.example/1"))
    read(id)
    post = db[:posts].where(workspace_id: workspace).first
    expect(post).to include(subject: "News 1", owner_id: world.person(:ines))
    parts = db[:parts].where(post_id: post[:id]).select_hash(:part, :value)
    expect(parts.keys).to include("text", "link", "media")
    expect(db[:adaptations].where(post_id: post[:id]).select_map(:channel_id)).to eq [channel]
  end

  it "watches a folder of the media" do
    folder = world.act("Media::SaveFolder", :ines, client, name: "Ready")
    upload = ->(seed, name) do
      world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture(seed), name: name, folder_id: folder)
    end
    upload.call(1, "before.jpg")
    id = save(folder_id: folder)
    save(id: id, begin: true)
    read(id)
    upload.call(2, "lamp-at-pier.jpg")
    2.times { read(id) }
    expect(ideas).to eq ["lamp at pier"]
    expect(db[:idea_media].where(workspace_id: workspace).count).to eq 1
    lamp = db[:media].where(workspace_id: workspace, name: "lamp-at-pier.jpg").get(:id)
    world.act("Media::NewVersion", :ines, client, media_id: lamp, io: SpecWorld.picture(5))
    read(id)
    expect(ideas).to eq ["lamp at pier"]
  end

  it "asks only whether something changed, once it has begun" do
    id = begun
    @same = true
    read(id)
    expect(@asked.map { |one| one[:known] }).to eq [{}, {}, { etag: '"1"', last_modified: nil }]
    expect(@asked.map { |one| one[:robots] }).to eq [true, false, false]
  end

  it "asks on for all of it as long as something of it is left to be taken" do
    stub_const("AskFirst::App::Feeds::ReadFeed::AT_ONCE", 1)
    id = begun
    there.push(item(2), item(1))
    @etag = '"2"'
    kept = -> { [ideas.sort, db[:feeds].where(id: id).get(:etag)] }
    read(id)
    expect(kept.call).to eq [["News 1"], '"1"']
    read(id)
    expect(kept.call).to eq [["News 1", "News 2"], '"2"']
  end

  it "says how it is: waits longer with each failure, rests when it is gone, and is well again" do
    id = begun
    @fault = AskFirst::Core::Checks::Unreadable.new("silent", "no answer in time")
    waits = Array.new(2) { (read(id) && nil) || (db[:feeds].where(id: id).get(:next_at) - world.environment.now).round }
    expect(waits).to eq [3_600, 7_200]
    expect(feed(id)).to include(state: "silent", said: "no answer in time", failures: 2)
    @fault = nil
    read(id)
    expect(feed(id)).to include(state: "fine", said: "", failures: 0)
    @fault = AskFirst::Core::Checks::Unreadable.new("gone", "it is gone for good")
    read(id)
    expect(feed(id)).to include(state: "gone", paused: true)
    @fault = nil
    read(id)
    expect(feed(id)[:state]).to eq "gone"
    save(id: id, paused: false)
    read(id)
    expect(feed(id)).to include(state: "fine", paused: false)
  end

  it "says so when whoever set it up may not any more, and loses nothing: it comes when another one sets it up" do
    id = begun
    db[:feeds].where(id: id).update(made_by: world.person(:bram))
    role = db[:roles].where(name: "designer").get(:id)
    world.owner[:memberships].where(workspace_id: workspace, person_id: world.person(:bram)).update(role_id: role)
    there.push(item(9))
    @etag = '"2"'
    db[:feeds].where(id: id).update(makes: "draft")
    read(id)
    expect([feed(id)[:state], ideas]).to eq ["nobody", []]
    expect(db[:feeds].where(id: id).get(:etag)).to eq '"1"' # so that it is sent again
    db[:feeds].where(id: id).update(made_by: world.person(:ines))
    read(id)
    expect([feed(id)[:state], ideas]).to eq ["fine", ["News 9"]]
  end

  it "read twice at once, an item comes once" do
    id = begun
    there.push(item(5))
    2.times.map { Thread.new { read(id) } }.each(&:join)
    expect(ideas).to eq ["News 5"]
  end

  it "all that are due are read, and none twice at once" do
    id = begun
    db[:feeds].where(id: id).update(next_at: world.environment.now - 1)
    expect(AskFirst::App::Feeds::ReadFeeds.call(world.jobs)).to eq 1
    expect(AskFirst::App::Feeds::ReadFeeds.call(world.jobs)).to eq 0
  end

  it "is not set up without an address, twice, or by whoever may make no posts" do
    expect(code { save(address: "") }).to eq %w[address_missing address]
    expect(code { save(address: "boats") }).to eq %w[bad_link address]
    save(address: "https://boats.example/feed")
    expect(code { save(address: "https://boats.example/feed") }).to eq %w[feed_there address]
    expect(code { world.act("Feeds::SaveFeed", limited_to, fields: {}) }).to eq %w[other_channel]
  end

  it "whose reading passed a limit rests, is not read again by itself, and is told to whoever set it up" do
    id = begun
    @fault =
      AskFirst::Core::Checks::Unreadable.new("harmful", "reading it takes more time or memory than any feed does")
    before = @asked.size
    2.times { read(id) }
    expect(@asked.size - before).to eq 1
    expect(feed(id)).to include(state: "harmful", paused: true)
    told = db[:notices].where(workspace_id: workspace, kind: "material").select_map(%i[person_id words])
    expect(told).to match [[world.person(:ines), /rests: reading it takes more time/]]
  end

  it "that we cannot take in by a mistake of ours shows it, and is tried again with growing waits" do
    id = begun
    @fault = ArgumentError.new("a mistake of ours")
    expect { read(id) }.not_to raise_error
    expect(feed(id)).to include(state: "broken", failures: 1, said: "what it says could not be taken in")
  end
end
