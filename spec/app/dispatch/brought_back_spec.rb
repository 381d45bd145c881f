# frozen_string_literal: true

# A database that was brought back from a backup sends nothing until somebody has looked; what became of its posts
# since is asked at their networks, and else said by a person.
RSpec.describe "A database that was brought back", :database do
  let(:due) { Time.utc(2026, 10, 15, 6, 30, 1) } # 7:30 in Lisbon
  let(:process) { AskFirst::App::Member.process(world.workspace, "dispatcher") }
  let(:lineage) { AskFirst::Store::Dispatch::RestoreDetection }
  let(:watermark) { world.environment.watermark }

  before do
    %w[ticker vitrine].each { |network| world.world.control("#{network}/no-faults", {}) }
    forget
    dispatcher.begin
  end

  # Nothing has run on it, and nothing lies beside it.
  def forget
    FileUtils.rm_f(world.settings.watermark)
    db[:releases].where(ended_at: nil).update(ended_at: due - 86_400, ended_why: "of another example")
    db[:showings].where(state: %w[sending unclear]).update(state: "planned", sender: nil, lease_until: nil, due_at: nil)
    db[:showings].update(unconfirmed_at: nil, network_said: nil, ask_at: nil)
    [db[:watermarks], db[:returns]].each(&:delete)
    db[:lineage].update(cluster: nil)
    db[:channels].update(card_at: nil)
  end

  def dispatcher = AskFirst::App::Dispatch::Sender.new(world.jobs, name: "one")
  def returns = db[:returns].select_map(:why)
  def showing(post) = db[:showings].where(post_id: post).first
  def released(**more) =
    world.draft(channels: [:ticker], picture: false, **more).tap { |post| world.clear(post) && world.release(post) }
  def advance(post) = AskFirst::App::Dispatch::Advance.call(world.jobs, process, showing_id: showing(post)[:id])
  def log = AskFirst::App::Dispatch::DispatchLog.call(world.environment, scope)
  def alarm = AskFirst::App::Dispatch::Alarm.of(world.environment, scope)
  def scope =
    AskFirst::Store::Scope.new(
      world.environment.db,
      workspace_ids: [world.workspace],
      person_id: world.person(:ines),
      side: "agency"
    )

  def at_network(post, network = :ticker)
    id = AskFirst::Core::Dispatch::SendId.for(showing(post)[:id])
    JSON
      .parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/control/#{network}/quillmere/posts")))
      .count { |one| one["send_id"] == id }
  end

  # As a dump and its restoring in the same server would leave it: the rows of then, and a watermark outside that went
  # on.
  def bring_back(*posts)
    kept = db[:watermarks].all
    showings = db[:showings].where(post_id: posts).all
    releases = db[:releases].where(post_id: posts).all
    yield
    db[:watermarks].delete
    db[:watermarks].multi_insert(kept)
    db.run("ALTER TABLE showings DISABLE TRIGGER USER; ALTER TABLE releases DISABLE TRIGGER USER")
    showings.each { |row| db[:showings].where(id: row[:id]).update(row.except(:id, :uploads)) }
    releases.each { |row| db[:releases].where(id: row[:id]).update(row.except(:id)) }
    posts.each { |post| db[:posts].where(id: post).update(stage: "released") }
    db.run("ALTER TABLE showings ENABLE TRIGGER USER; ALTER TABLE releases ENABLE TRIGGER USER")
  end

  def go_on =
    AskFirst::App::Agency::GoOn.call(
      world.environment,
      AskFirst::App::AgencyPerson.load(world.environment, world.person(:bram))
    )
  def ask(post) = AskFirst::App::Dispatch::AskUnconfirmed.call(world.jobs, process, showing_id: showing(post)[:id])
  def confirm(post, answer, **more) =
    world.act("Dispatch::Confirm", :ines, showing_ids: [showing(post)[:id]], answer: answer, **more)

  describe "is noticed" do
    # A process that begins, with something that happens once at one of its steps to the watermark outside.
    def begins(step, &happens)
      real = watermark
      left = [step]
      at = ->(*now) { left.delete(now) && happens.call }
      hooked = Object.new
      %i[read write].each do |name|
        hooked.define_singleton_method(name) do |*args|
          at.call(:before, name)
          real.public_send(name, *args).tap { at.call(:after, name) }
        end
      end
      environment = world.jobs.dup.tap { |same| same.watermark = hooked }
      AskFirst::App::Dispatch::Sender.new(environment, name: "another").begin
    end

    [%i[before read], %i[after read], %i[before write], %i[after write]].each do |step|
      it "not where several begin on a new database, one of them #{step.join(" its ")} of the watermark outside" do
        forget
        begins(step) { dispatcher.begin }
        3.times { dispatcher.begin }
        expect(returns).to eq []
      end

      it "nor where one is killed #{step.join(" its ")} of it" do
        forget
        expect { begins(step) { raise Interrupt } }.to raise_error(Interrupt)
        3.times { dispatcher.begin }
        expect(returns).to eq []
      end
    end

    it "not while it only goes on: restarts, new processes, watermarks that were rolled back" do
      3.times { dispatcher.begin }
      world
        .jobs
        .db
        .transaction(rollback: :always) do
          5.times { world.jobs.db.get(Sequel.function(:nextval, "watermark_numbers")) }
        end
      dispatcher.heartbeat
      expect([returns, watermark.read.number]).to eq [[], db[:watermarks].max(:watermark)]
    end

    it "by a watermark outside that is ahead of all that it knows" do
      bring_back { 3.times { dispatcher.begin } }
      dispatcher.begin
      expect(returns).to eq ["older"]
      2.times { dispatcher.begin }
      expect([returns, watermark.read.number]).to eq [["older"], db[:watermarks].max(:watermark)] # once
    end

    it "by the server that it lies in" do
      db[:lineage].update(cluster: "6900000000000000001")
      2.times { dispatcher.begin }
      expect(returns).to eq ["other_server"]
    end

    it "by a watermark that is not there, and by one of another database" do
      FileUtils.rm_f(world.settings.watermark)
      dispatcher.begin
      File.write(
        world.settings.watermark,
        JSON.generate(lineage: SecureRandom.uuid, mark: 1, at: Time.now.utc.iso8601(3))
      )
      dispatcher.begin
      expect(returns).to eq %w[no_watermark no_watermark]
    end

    it "by several dispatchers at once, once" do
      bring_back { dispatcher.begin }
      Array
        .new(4) { |n| Thread.new { AskFirst::App::Dispatch::Sender.new(world.jobs, name: "d#{n}").begin } }
        .each(&:join)
      expect(returns).to eq ["older"]
    end

    it "not by a web process, which then leaves its watermarks" do
      web =
        AskFirst::App::Dispatch::Watermarking.new(
          world.environment,
          process: AskFirst::Core::Uuid.v7(world.environment.now),
          notices: false
        )
      expect(web.call).to be true
      bring_back { 2.times { web.call } }
      20.times { expect(web.call).to be false }
      dispatcher.begin
      expect([returns, web.call]).to eq [["older"], true]
    end

    it "by a dispatcher that runs while it is changed for an older one: it claims nothing" do
      post = released
      running = dispatcher.tap(&:begin)
      before = db[:watermarks].all
      running.heartbeat
      db[:watermarks].delete
      db[:watermarks].multi_insert(before.reject { |row| row[:process] == running.id })
      db.run("ALTER SEQUENCE watermark_numbers RESTART")
      world.clock.set(due)
      AskFirst::App::Dispatch::Prepare.call(world.jobs, process, showing: showing(post))
      claim = -> do
        AskFirst::App::Dispatch::Claim.call(world.jobs, process, showings: [showing(post)], sender: running)
      end
      expect(&claim).to raise_error AskFirst::App::Dispatch::Watermarking::BroughtBack
      expect(showing(post)[:state]).to eq "planned"
      db.run("ALTER SEQUENCE watermark_numbers RESTART WITH 1000000")
    end
  end

  it "every claim is written down outside before anything is sent" do
    post = released
    world.clock.set(due)
    AskFirst::App::Dispatch::Prepare.call(world.jobs, process, showing: showing(post))
    before = watermark.read.number
    AskFirst::App::Dispatch::Claim.call(world.jobs, process, showings: [showing(post)], sender: dispatcher)
    expect([showing(post)[:state], watermark.read.number]).to match ["sending", a_value > before]
  end

  it "what went out since is found at its network and not sent again" do
    post = released
    bring_back(post) do
      world.clock.set(due)
      advance(post)
      dispatcher.begin
    end
    dispatcher.begin
    expect([showing(post)[:state], alarm]).to match [
            "planned",
            /is an older state of itself.*Nothing is sent until an owner has looked/
          ]
    advance(post)
    expect(at_network(post)).to eq 1 # nobody has looked
    go_on
    advance(post)
    expect(at_network(post)).to eq 1 # and this one is not known yet
    ask(post)
    expect(showing(post)).to include(state: "out", unconfirmed_at: nil, address: a_string_matching(/http/))
    expect([world.stage(post), at_network(post), log[:unconfirmed][:count]]).to eq ["out", 1, 0]
  end

  it "what was taken back since waits for a word, and does not go out" do
    post = released
    bring_back(post) do
      world.act("Dispatch::TakeBack", :ines, post_id: post)
      dispatcher.begin
    end
    dispatcher.begin
    go_on
    ask(post)
    world.clock.set(due)
    advance(post)
    expect([at_network(post), log[:unconfirmed][:rows]]).to match [
            0,
            [a_hash_including(post_id: post, network_said: "not_there", late: false)]
          ]
    expect(alarm).to match(/One post waits in Dispatch/)
    confirm(post, "take_back")
    advance(post)
    db[:que_jobs].delete # so that nothing waits for a worker
    expect(
      [world.stage(post), at_network(post), alarm, db[:releases].where(post_id: post, ended_at: nil).count]
    ).to eq ["cleared", 0, nil, 0]
    expect(world.acts(post).last(2)).to eq %w[confirmed taken_back]
  end

  it "what is confirmed goes out, once, by all the rules" do
    post = released
    db[:lineage].update(cluster: "6900000000000000001")
    dispatcher.begin
    ask(post)
    confirm(post, "send")
    world.clock.set(due)
    advance(post)
    expect([showing(post)[:state], at_network(post)]).to eq ["planned", 0] # an owner has not looked
    go_on
    world.clock.set(due + 6) # looked at again
    advance(post)
    expect([showing(post)[:state], at_network(post)]).to eq ["out", 1]
    expect { confirm(post, "send") }.to raise_error AskFirst::Core::Conflict, /confirmed already/
  end

  it "where the network cannot be asked, a person says where it is, or that it may go" do
    posts = Array.new(2) { world.draft(channels: [:vitrine]).tap { |post| world.clear(post) && world.release(post) } }
    db[:lineage].update(cluster: "6900000000000000001")
    dispatcher.begin
    posts.each { |post| ask(post) }
    expect(log[:unconfirmed][:rows].map { |row| row[:network_said] }).to eq %w[cannot_ask cannot_ask]
    expect { confirm(posts[0], "out") }.to raise_error AskFirst::Core::Invalid, /address/
    confirm(posts[0], "out", address: "https://vitrine.example/42")
    confirm(posts[1], "send")
    expect(showing(posts[0])).to include(state: "out", address: "https://vitrine.example/42")
    expect(showing(posts[1])).to include(state: "planned", unconfirmed_at: nil, due_at: Time.utc(2026, 10, 15, 6, 30))
  end

  it "what is too late is not sent so late, one or many" do
    posts = Array.new(2) { released }
    later =
      world
        .draft(channels: [:ticker], picture: false, wall: "2026-10-15T18:00")
        .tap { |post| world.clear(post) && world.release(post) }
    db[:lineage].update(cluster: "6900000000000000001")
    dispatcher.begin
    world.clock.set(due + 7_200)
    expect { confirm(posts[0], "send") }.to raise_error AskFirst::Core::Conflict, /more than 30 minutes ago/
    ids = [*posts, later].map { |post| showing(post)[:id] }
    all = world.act("Dispatch::Confirm", :ines, showing_ids: ids, answer: "send")
    expect([all[:done], all[:left].map { |one| one[:code] }]).to eq [[ids.last], %w[time_past time_past]]
  end

  it "a network that cannot be reached is asked again" do
    post = released
    db[:lineage].update(cluster: "6900000000000000001")
    dispatcher.begin
    away = Object.new
    away.define_singleton_method(:client_for) { |_| raise AskFirst::Core::Dispatch::Unreachable, "no reply" }
    AskFirst::App::Dispatch::AskUnconfirmed.call(
      world.jobs.dup.tap { |environment| environment.networks = away },
      process,
      showing_id: showing(post)[:id]
    )
    expect(showing(post)).to include(network_said: "cannot_ask", ask_at: world.environment.now + 30)
    ask(post)
    expect(showing(post)).to include(network_said: "not_there", ask_at: nil)
  end

  it "what is released again by somebody who could know is asked once more, and goes" do
    post = released
    world.act("Dispatch::TakeBack", :ines, post_id: post)
    db[:lineage].update(cluster: "6900000000000000001")
    dispatcher.begin
    expect(showing(post)).to include(unconfirmed_at: world.environment.now, ask_at: nil) # nothing is to be sent
    go_on
    world.clock.set(SpecWorld::NOON + 60)
    world.release(post)
    expect(showing(post)[:ask_at]).to eq world.environment.now
    ask(post)
    expect(showing(post)).to include(unconfirmed_at: nil, network_said: nil)
    world.clock.set(due)
    advance(post)
    expect(at_network(post)).to eq 1
  end

  it "what was just being sent then is looked for, and sent again only after a word" do
    post = released
    world.clock.set(due)
    AskFirst::App::Dispatch::Prepare.call(world.jobs, process, showing: showing(post))
    world.sending(post, lease_until: due - 1)
    db[:lineage].update(cluster: "6900000000000000001")
    dispatcher.begin
    go_on
    30.times do |n|
      world.clock.set(due + (n * 2))
      advance(post)
    end
    ask(post)
    expect([showing(post)[:state], at_network(post), log[:unconfirmed][:count]]).to eq ["planned", 0, 1]
    confirm(post, "send")
    advance(post)
    expect([showing(post)[:state], at_network(post)]).to eq ["out", 1]
  end

  it "is looked at by an owner, once" do
    db[:lineage].update(cluster: "6900000000000000001")
    dispatcher.begin
    expect {
      AskFirst::App::Agency::GoOn.call(
        world.environment,
        AskFirst::App::AgencyPerson.load(world.environment, world.person(:maro))
      )
    }.to raise_error AskFirst::Core::Refused
    go_on
    expect(db[:agency_record].order(:order_no).last).to include(act: "went_on", person_id: world.person(:bram))
    expect { go_on }.to raise_error AskFirst::Core::Conflict, /already/
    expect(alarm).to be_nil
  end
end
