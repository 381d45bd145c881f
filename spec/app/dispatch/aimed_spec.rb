# frozen_string_literal: true

require_relative "../../../bench/crowd"

# Ways around the promise that were found by aiming at it. Each is the shortest history that once sent something
# twice, early, changed or not at all.
RSpec.describe "Aimed at: once, at its minute, unchanged" do
  let(:due) { Time.utc(2026, 10, 15, 6, 30, 1) } # 7:30 in Lisbon
  let(:process) { AskFirst::App::Member.process(world.workspace, "dispatcher") }
  let(:other) { sender("another") }

  before do
    %w[ticker vitrine].each { |network| world.world.control("#{network}/no-faults", {}) }
    db[:channels].update(card_at: nil)
  end

  after { db[:holds].where(lifted_at: nil).update(lifted_at: world.environment.now, lifted_by: world.person(:ines)) }

  def sender(name, environment = world.jobs, **more) =
    AskFirst::App::Dispatch::Sender.new(environment, name: name, **more)
  def released(channels: [:ticker], **more) =
    world.draft(channels: channels, **more).tap { |post| world.clear(post) && world.release(post) }
  def showing(post) = db[:showings].where(post_id: post).first
  def events(post) = db[:attempts].where(showing_id: showing(post)[:id]).order(:order_no).select_map(:event)

  # The file that the live release sends.
  def rendition(post)
    db[:releases]
      .where(Sequel[:releases][:post_id] => post, :ended_at => nil)
      .join(:revision_adaptations, id: :revision_adaptation_id)
      .get(:rendition_ids)
      .first
  end

  def fault(network, kind, **more) =
    world.world.control("#{network}/faults", { handle: "quillmere", kind: kind, **more })
  def at_network(network) =
    JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/control/#{network}/quillmere/posts")))
  def sent(post, network = :ticker) =
    at_network(network).select { |one| one["send_id"] == AskFirst::Core::Dispatch::SendId.for(showing(post)[:id]) }
  def advance(post, environment = world.jobs, sender: nil) =
    AskFirst::App::Dispatch::Advance.call(environment, process, showing_id: showing(post)[:id], sender: sender)
  def claim(post, by) =
    AskFirst::App::Dispatch::Claim.call(world.jobs, process, showings: [showing(post)], sender: by).claimed.first
  def keep(*ended) = AskFirst::App::Dispatch::Keep.call(world.jobs, process, ended: ended)
  def ready(post) = AskFirst::App::Dispatch::Prepare.call(world.jobs, process, showing: showing(post))

  # A dispatcher that is held up while it reads the network's card, before its claim.
  def held_up(&meanwhile)
    real = world.jobs.networks
    networks = Object.new
    networks.define_singleton_method(:client_for) do |channel|
      client = real.client_for(channel)
      slow = client.dup
      slow.define_singleton_method(:card) do
        meanwhile&.call
        client.card
      end
      slow
    end
    world.jobs.dup.tap { |environment| environment.networks = networks }
  end

  describe "A. twice" do
    it "one that meets an unreachable network before its claim leaves alone what another one has sent" do
      post = released
      world.clock.set(due)
      unlucky =
        held_up do
          db[:showings].update(preparing_until: nil) # as when it was left there a lease ago
          db[:channels].update(card_at: due)
          advance(post)
          raise AskFirst::Core::Dispatch::Unreachable, "no reply"
        end
      advance(post, unlucky)
      expect([showing(post)[:state], events(post).last, sent(post).size]).to eq ["out", "sent", 1]
    end

    it "a reply that comes back late to a try that is over changes nothing" do
      post = released(picture: false)
      world.clock.set(due)
      ready(post)
      late = claim(post, other)
      world.clock.set(due + 60) # the lease is long over; it is taken over, looked for twice, and sent again
      [0, 3, 6].each do |more|
        world.clock.set(due + 60 + more)
        advance(post)
      end
      expect([world.stage(post), sent(post).size]).to eq ["out", 1]
      busy = AskFirst::App::Dispatch::Send::Ended.new(claimed: late, kind: :busy, sent_at: due, over_at: due)
      refused =
        AskFirst::App::Dispatch::Send::Ended.new(claimed: late, kind: :refused, note: "400", sent_at: due, over_at: due)
      keep(busy)
      keep(refused)
      expect([showing(post)[:state], sent(post).size]).to eq ["out", 1]
    end

    it "taken back and released again for the same minute there is one release, and one send" do
      post = released(picture: false)
      3.times do
        world.act("Dispatch::TakeBack", :ines, post_id: post)
        world.release(post)
      end
      expect(db[:releases].where(post_id: post, ended_at: nil).count).to eq 1
      world.clock.set(due)
      ready(post)
      Array.new(4) { |n| Thread.new { advance(post, sender: sender("s#{n}")) } }.each(&:join)
      expect([sent(post).size, events(post).count("sending")]).to eq [1, 1]
    end
  end

  describe "B. early" do
    it "what is moved between the look and the claim goes at its new time" do
      post = released
      world.clock.set(due)
      advance(
        post,
        held_up { world.write(post, "time", { "wall" => "2026-10-15T19:00", "zone" => "Europe/Lisbon" }, who: :ines) }
      )
      expect([sent(post), showing(post).values_at(:state, :due_at)]).to eq [[], ["planned", Time.utc(2026, 10, 15, 18)]]
      world.clock.set(Time.utc(2026, 10, 15, 18, 0, 1))
      db[:channels].update(card_at: nil)
      advance(post)
      expect(sent(post).size).to eq 1
    end

    it "what is released anew with another picture between goes with that one" do
      post = released
      old = rendition(post)
      world.clock.set(due)
      advance(
        post,
        held_up do
          world.clock.set(due - 60) # it is not its time yet when the person does this
          world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [world.adaptation(post, :ticker)])
          again = world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture(9), name: "pier.jpg")
          world.write(post, "media", [again[:id]], who: :sunniva)
          world.write(post, "descriptions", { again[:id] => "The pier" }, who: :sunniva)
          world.clear(post)
          world.release(post)
          world.clock.set(due)
        end
      )
      2.times { advance(post) }
      expect(rendition(post)).not_to eq old
      photo = sent(post).map { |one| one["properties"]["photo"][0] }
      expect(photo).to eq [{ "value" => showing(post)[:uploads].fetch(rendition(post)), "alt" => "The pier" }]
    end

    it "is told by the database's clock, whatever ours says; more than two seconds apart, nothing is sent" do
      post = released(picture: false)
      ready(post)
      clock = Demo::Clock.new(due)
      clock.define_singleton_method(:of_database) { |_| now - 1.5 }
      fast = world.jobs.dup.tap { |environment| environment.clock = clock }
      advance(post, fast, sender: sender("fast", fast))
      expect(sent(post)).to eq [] # by the database it is half a second too early
      clock.define_singleton_method(:of_database) { |_| now - 3 }
      clock.set(due + 10)
      advance(post, fast, sender: sender("fast", fast))
      expect([sent(post), showing(post)[:state]]).to eq [[], "planned"]
      world.clock.set(due + 10)
      advance(post) # the other dispatcher, whose clock is right
      expect(sent(post).size).to eq 1
    end
  end

  describe "C2. the lease binds its holder" do
    let(:ticks) { [0.0] }
    let(:frozen) { sender("frozen", clock: -> { ticks.last }) }

    it "who was frozen between claim and create does not send, and gives it back" do
      post = released(picture: false)
      world.clock.set(due)
      ready(post)
      held = claim(post, frozen)
      ticks << 4.0
      ended = AskFirst::App::Dispatch::Send.call(world.jobs, held, frozen)
      expect([ended.kind, sent(post)]).to eq [:given_back, []]
      keep(ended)
      expect(showing(post)[:state]).to eq "planned"
      advance(post)
      expect([world.stage(post), sent(post).size]).to eq ["out", 1]
    end

    it "also when its heartbeat goes on before its send does, and when another one has sent it meanwhile" do
      post = released(picture: false)
      world.clock.set(due)
      ready(post)
      frozen.heartbeat
      held = claim(post, frozen)
      db[:dispatchers].where(id: frozen.id).update(heartbeat_at: due - 7)
      # looked for at once; twice more once its lease and the settling time are over
      [0, 2.5, 11, 13.5].each do |later|
        world.clock.set(due + later)
        advance(post)
      end
      expect([world.stage(post), sent(post).size]).to eq ["out", 1]
      ticks << 20.0
      frozen.heartbeat
      keep(AskFirst::App::Dispatch::Send.call(world.jobs, held, frozen))
      expect([world.stage(post), sent(post).size, events(post).last]).to eq ["out", 1, "sent"]
    end

    it "a hold that came in between wins" do
      post = released(picture: false)
      world.clock.set(due)
      ready(post)
      held = claim(post, frozen)
      hold = world.act("Signoff::Hold", :ines, reason: "Storm")
      ticks << 9.0
      keep(AskFirst::App::Dispatch::Send.call(world.jobs, held, frozen))
      advance(post)
      expect([world.stage(post), sent(post)]).to eq ["held", []]
      world.act("Signoff::LiftHold", :ines, hold_id: hold)
      advance(post)
      expect(sent(post).size).to eq 1
    end
  end

  it "D. holds and sending do not lock each other: every hold is put, everything goes out once" do
    db[:releases].where(ended_at: nil).update(ended_at: due - 5, ended_why: "of another example")
    db[:showings].where(state: %w[sending unclear]).update(state: "planned", sender: nil, lease_until: nil, due_at: nil)
    first = released(picture: false)
    Bench::Crowd.new(db).multiply(first, 60)
    posts = [first, *Bench::Crowd.new(db).ids(first, 60)]
    world.clock.set(due)
    db[:channels].update(card_at: due)
    jobs = world.jobs
    dispatcher = process
    senders = Array.new(2) { |n| sender("burst #{n}") }
    faults = Queue.new
    enough = Time.now + 60
    working =
      senders.map do |one|
        Thread.new do
          # one whose reply was lost on the way waits to be looked for, which is not what is tried here
          until db[:showings].where(post_id: posts, state: %w[planned sending]).empty? || Time.now > enough
            one.heartbeat
            rows =
              jobs.db[:showings].where(post_id: posts, state: "planned").order(Sequel.function(:random)).limit(8).all
            taken = AskFirst::App::Dispatch::Claim.call(jobs, dispatcher, showings: rows, sender: one)
            if taken.claimed.any?
              keep(*taken.claimed.map { |held| AskFirst::App::Dispatch::Send.call(world.jobs, held, one) })
            end
          end
        rescue Sequel::Error => e
          faults << e
        end
      end
    holds =
      Array.new(12) do
        world
          .act("Signoff::Hold", :ines, reason: "Burst")
          .tap { |id| world.act("Signoff::LiftHold", :ines, hold_id: id) }
      rescue Sequel::Error => e
        faults << e
      end
    joined = working.map { |thread| thread.join(90) }
    expect(joined).to all be_a(Thread)
    expect(db[:showings].where(post_id: posts, state: %w[planned sending]).select_map(%i[state fault due_at])).to eq []
    expect(Array.new(faults.size) { faults.pop }).to eq []
    expect(db[:holds].where(id: holds).exclude(lifted_at: nil).count).to eq 12
    ids = db[:showings].where(post_id: posts).select_map(:id).map { |id| AskFirst::Core::Dispatch::SendId.for(id) }
    expect(at_network(:ticker).map { |one| one["send_id"] }.tally.slice(*ids)).to eq(ids.to_h { |id| [id, 1] })
  end

  describe "E. many at once" do
    let(:bus) { AskFirst::Edge::LiveBus.connect(world.settings.web_url) }
    let(:jobs_environment) { world.jobs }

    after { bus.stop }

    it "a hold over 300 released posts and its lifting are put, and a failure to tell falsifies nothing" do
      first = released(picture: false)
      Bench::Crowd.new(db).multiply(first, 300)
      world.environment.bus.then do |ears|
        world.environment.bus = bus
        hold = world.act("Signoff::Hold", :ines, reason: "Storm")
        expect(db[:posts].where(stage: "held").count).to be >= 301
        world.act("Signoff::LiftHold", :ines, hold_id: hold)
        expect(world.stage(first)).to eq "released"
      ensure
        world.environment.bus = ears
      end
    end

    it "an ask of 270 posts is sent, and its mail goes out" do
      first = world.draft(picture: false, channels: [:ticker])
      Bench::Crowd.new(db).multiply(first, 269)
      ask = world.ask([first, *Bench::Crowd.new(db).ids(first, 269)], 0)
      expect(db[:ask_lines].where(ask_id: ask).count).to eq 270
      AskFirst::App::Signoff::MailAsk.call(jobs_environment, process, ask_id: ask, person_id: world.person(:wren))
      mail = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/wren@fernhollow.example.json"))).first
      expect(mail["text"]).to include "270"
    end

    it "a message for a thousand people goes out in parts, and one that cannot go out raises nothing" do
      heard = []
      bus.bus.define_singleton_method(:publish) { |_, _, **more| heard << more[:user_ids] }
      people = Array.new(1_000) { SecureRandom.uuid }
      bus.publish(world.workspace, { what: "posts", ids: [] }, to: people)
      expect(heard.flatten).to eq people
      expect(heard.map { |some| JSON.generate(some).bytesize }.max).to be < 7_000
      bus.bus.define_singleton_method(:publish) { |*_, **_| raise "the bus is gone" }
      expect { bus.publish(world.workspace, {}, to: people) }.not_to raise_error
    end
  end

  it "F. where the same id is not taken once, a post that shows late is not sent again" do
    post = released(picture: false)
    fault(:ticker, "show_late", seconds: 3)
    fault(:ticker, "bad_gateway_after_accepting")
    world.clock.set(due)
    advance(post)
    world.clock.set(due + 2.5)
    advance(post)
    expect(events(post).last(2)).to eq %w[unclear not_there_yet]
    sleep 3.1 # the network's own time
    world.clock.set(due + 5)
    advance(post)
    expect([world.stage(post), sent(post).size, events(post).last]).to eq ["out", 1, "found"]
  end

  describe "G. faults of ours before the claim" do
    def told(post) = db[:notices].where(post_id: post, kind: "trouble").select_map(:words).uniq

    it "a file that is not there is told at once, tried again with growing waits, and sent once it is back" do
      post = released
      path = File.join(world.settings.files, db[:renditions].where(id: rendition(post)).get(:file))
      File.rename(path, "#{path}.away")
      world.clock.set(due)
      advance(post)
      expect(told(post)).to match [/Ticker: It could not be sent yet: a file that belongs to it is not there\./]
      desk =
        AskFirst::App::Agency::Desk.call(
          world.environment,
          AskFirst::Store::Scope.new(
            world.environment.db,
            workspace_ids: [world.workspace],
            person_id: world.person(:ines),
            side: "agency"
          )
        )
      expect(desk[:trouble]).to include a_hash_including(post_id: post, trouble: /could not be sent yet/)
      waits =
        Array.new(3) do
          world.clock.set(showing(post)[:due_at])
          advance(post)
          showing(post)[:due_at] - world.environment.now
        end
      expect(waits).to eq waits.sort
      expect([events(post), told(post).size]).to eq [%w[fault] * 4, 1]
      expect(db[:que_jobs].where(Sequel.lit("args ->> 1 = ?", showing(post)[:id])).count).to eq 0
      File.rename("#{path}.away", path)
      world.clock.set(showing(post)[:due_at])
      advance(post)
      expect([world.stage(post), showing(post)[:fault], sent(post).size]).to eq ["out", "", 1]
    end

    it "a full disk and a secret that does not open are told as what they are, and too late is trouble" do
      post = released
      world.clock.set(due)
      full =
        world.jobs.dup.tap do |environment|
          environment.files =
            Object.new.tap { |files| files.define_singleton_method(:open_same) { |*_, **_| raise Errno::ENOSPC } }
        end
      advance(post, full)
      expect(showing(post)[:fault]).to include "the disk is full"
      away =
        world.jobs.dup.tap do |environment|
          gone = AskFirst::Core::Away.new("store_away", "The store cannot be used just now.")
          environment.files =
            Object.new.tap { |files| files.define_singleton_method(:open_same) { |*_, **_| raise gone } }
        end
      world.clock.set(showing(post)[:due_at])
      advance(post, away)
      expect(showing(post)).to include(state: "planned", fault: a_string_including("the store cannot be used"))
      closed =
        world.jobs.dup.tap do |environment|
          environment.networks =
            AskFirst::Edge::Networks::Directory.new(AskFirst::Edge::Secrets.new("another secret " * 5))
        end
      world.clock.set(showing(post)[:due_at])
      advance(post, closed)
      expect(showing(post)).to include(state: "planned", fault: a_string_matching(/could not be sent yet/))
      world.clock.set(due + 1_795)
      db[:showings].where(post_id: post).update(due_at: due)
      advance(post, closed)
      expect(showing(post)).to include(state: "trouble", trouble: a_string_including("and not sent"))
    end
  end

  describe "H. a dispatcher that dies in the middle of the last send" do
    let(:scope) do
      AskFirst::Store::Scope.new(
        world.environment.db,
        workspace_ids: [world.workspace],
        person_id: world.person(:ines),
        side: "agency"
      )
    end
    let(:alarm) { -> { AskFirst::App::Dispatch::Alarm.of(world.environment, scope) } }

    before { [db[:dispatchers], db[:que_jobs]].each(&:delete) } # nor does anything wait for a worker

    it "is told, though nothing else is planned; and each of several is known" do
      db[:releases].where(ended_at: nil).update(ended_at: due - 5, ended_why: "for this spec")
      post = released(picture: false)
      world.clock.set(due)
      ready(post)
      other.begin
      claim(post, other)
      db[:que_jobs].delete
      expect(alarm.call).to be_nil
      world.clock.set(due + 11)
      expect(alarm.call).to match(/\AThe dispatcher has been silent since 06:30:01 UTC/)
      sender("a second").begin
      expect(alarm.call).to match(
        /\AOne dispatcher \(another\) has been silent since 06:30:01 UTC; another one goes on\./
      )
    end

    it "what it left is looked at as soon as its heartbeat is gone, not when its lease is over" do
      post = released(picture: false)
      world.clock.set(due)
      ready(post)
      other.begin
      held = claim(post, other)
      AskFirst::App::Dispatch::Send.call(world.jobs, held, other) # and dies before it keeps what came of it
      world.clock.set(due + 6.5)
      expect(
        AskFirst::Store::Dispatch::Due
          .without_sender(db, world.environment.now - AskFirst::Core::Dispatch::Lease::GONE, limit: 9)
          .map { |row| row[:id] }
      ).to include showing(post)[:id]
      advance(post)
      world.clock.set(due + 9)
      advance(post)
      expect([showing(post)[:state], events(post).last(2), sent(post).size]).to eq ["out", %w[unclear found], 1]
      expect(held.row[:id]).to eq showing(post)[:id]
    end
  end

  describe "replies that are none" do
    {
      "no_address" => [%w[sending unclear found], "201 without an address"],
      "other_address" => [%w[sending unclear found], "201 with another post's address"],
      "redirect" => [%w[sending unclear found], "a redirect"],
      "long_reply" => [%w[sending sent], "201 with 10 MB"]
    }.each do |kind, (expected, words)|
      it "#{words}: #{expected.last}, once, at its own address" do
        before = released(picture: false)
        world.clock.set(due)
        advance(before)
        world.clock.set(due - 60)
        post = released(picture: false)
        fault(:ticker, kind)
        world.clock.set(due)
        2.times { |n| world.clock.set(due + (n * 3)) && advance(post) }
        expect([events(post), world.stage(post), sent(post).size]).to eq [expected, "out", 1]
        expect(showing(post)[:address]).to end_with sent(post).first["id"]
      end
    end
  end

  it "what is sent again with the same id and refused then may be out, and is not simply taken back" do
    post = released(channels: [:vitrine])
    fault(:vitrine, "bad_gateway_after_accepting")
    world.clock.set(due)
    advance(post)
    fault(:vitrine, "refuse")
    world.clock.set(due + 5)
    advance(post)
    expect(showing(post)).to include(
      state: "trouble",
      may_be_out: true,
      trouble: a_string_starting_with("It may be out")
    )
    expect(refusal { world.act("Dispatch::TakeBack", :ines, post_id: post) }.code).to eq "may_be_out"
  end

  it "a clock that jumps back an hour, or on by a day, reads the card anew and sends once, at its time" do
    first = released(picture: false)
    world.clock.set(due)
    advance(first)
    world.clock.set(due - 3_600)
    second = released(picture: false)
    advance(second)
    expect(sent(second)).to eq []
    world.clock.set(due)
    db[:channels].update(card_at: due + 3_600) # as it was kept before the clock was set back
    2.times { advance(second) }
    expect([sent(first).size, sent(second).size]).to eq [1, 1]
    world.clock.set(due - 60)
    third = released(picture: false)
    world.clock.set(due + 86_400)
    advance(third)
    expect([showing(third)[:state], showing(third)[:trouble], sent(third)]).to match ["trouble", /not sent so late/, []]
  end

  it "a card that changes in the middle of a batch stops what no longer fits, and nothing else" do
    first = released(picture: false)
    long = released(picture: false, text: "A word " * 35)
    world.clock.set(due)
    ready(first)
    card = JSON.parse(JSON.generate(db[:channels].where(id: world.channel(:ticker)).get(:card)))
    advance(first)
    world.world.control("ticker/card", card.merge("text" => card["text"].merge("limit" => 60)))
    db[:channels].update(card_at: nil)
    advance(long)
    expect([world.stage(first), showing(long)[:state], sent(long)]).to eq ["out", "trouble", []]
    expect(showing(long)[:trouble]).to include "rules have changed"
  ensure
    world.world.control("ticker/card", card)
    db[:channels].update(card_at: nil)
  end
end
