# frozen_string_literal: true

# The dispatcher's acts against the stand-in networks, over Micropub and HTTP, one showing at a time and with every
# fault.
RSpec.describe "Dispatch" do
  let(:process) { AskFirst::App::Member.process(world.workspace, "dispatcher") }
  let(:due) { Time.utc(2026, 10, 15, 6, 30, 1) } # 7:30 in Lisbon

  def released(channels: [:ticker], **more)
    world
      .draft(channels: channels, **more)
      .tap do |post|
        world.clear(post)
        world.release(post)
      end
  end

  def showing(post) = db[:showings].where(post_id: post).first
  def fault(network, kind, **more) =
    world.world.control("#{network}/faults", { handle: "quillmere", kind: kind, **more })
  def advance(post) = AskFirst::App::Dispatch::Advance.call(world.environment, process, showing_id: showing(post)[:id])
  def verify(post, look: 4) =
    AskFirst::App::Dispatch::Verify.call(world.environment, process, showing_id: showing(post)[:id], look: look)
  def events(post) = db[:attempts].where(showing_id: showing(post)[:id]).order(:order_no).select_map(:event)
  def at_network(network) =
    JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/control/#{network}/quillmere/posts")))
  def sent(post, network = :ticker) =
    at_network(network).select { |one| one["send_id"] == AskFirst::Core::Dispatch::SendId.for(showing(post)[:id]) }

  before do
    %w[ticker vitrine].each { |network| world.world.control("#{network}/no-faults", {}) }
    db[:channels].update(card_at: nil) # as if it had been read long ago
  end

  describe "releasing" do
    it "needs every yes, a time to come, a connected channel; each refusal says the way on" do
      post = world.draft
      expect(refusal { world.release(post) }.code).to eq "not_cleared"
      world.clear(post)
      world.clock.set(Time.utc(2026, 10, 15, 7))
      expect(refusal { world.release(post) }.code).to eq "time_past"
      world.clock.set(SpecWorld::NOON)
      db[:channels].where(id: world.channel(:ticker)).update(state: "lapsed")
      expect(refusal { world.release(post) }.code).to eq "channel_lapsed"
      db[:channels].where(id: world.channel(:ticker)).update(state: "connected")
      world.release(post)
      expect(world.stage(post)).to eq "released"
    end

    it "is refused without a planned time" do
      post = world.draft(wall: nil)
      world.clear(post)
      expect(refusal { world.release(post) }.code).to eq "no_time"
    end

    it "makes one showing for an adaptation, whatever happens: the database refuses a second" do
      post = released
      row = showing(post).slice(:workspace_id, :post_id, :adaptation_id, :channel_id, :number, :state)
      expect { db[:showings].insert(row.merge(id: AskFirst::Core::Uuid.v7(Time.now))) }.to raise_error(
        Sequel::UniqueConstraintViolation
      )
    end

    it "is taken back as easily, and released again for the same showing" do
      post = released
      first = showing(post)[:id]
      world.act("Dispatch::TakeBack", :ines, post_id: post)
      expect(world.stage(post)).to eq "cleared"
      world.release(post)
      expect(showing(post)[:id]).to eq first
    end

    it "moves with its time where the yes still counts, and ends where it does not" do
      post = released
      world.write(post, "time", { "wall" => "2026-10-15T19:00", "zone" => "Europe/Lisbon" }, who: :ines)
      expect(world.stage(post)).to eq "released"
      expect(db[:releases].where(post_id: post, ended_at: nil).get(:at)).to eq Time.utc(2026, 10, 15, 18)
      world.write(post, "time", { "wall" => "2026-10-16T07:30", "zone" => "Europe/Lisbon" }, who: :ines)
      expect(world.stage(post)).to eq "drafting"
      expect(world.acts(post)).to include "release_moved", "release_ended"
    end

    it "ends when somebody opens it, and says so on the record" do
      post = released
      world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: [world.adaptation(post, :ticker)])
      expect(db[:releases].where(post_id: post).get(:ended_why)).to eq "somebody unlocked it to change it"
    end
  end

  describe "sending" do
    it "sends nothing before its time" do
      post = released
      advance(post)
      expect(events(post)).to eq []
    end

    it "sends text and picture once, exactly as approved, and verifies them at the network" do
      post = released(channels: %i[ticker vitrine])
      world.clock.set(due)
      db[:showings]
        .where(post_id: post)
        .select_map(:id)
        .each { |id| AskFirst::App::Dispatch::Advance.call(world.environment, process, showing_id: id) }
      expect(world.stage(post)).to eq "out"
      db[:showings]
        .where(post_id: post)
        .select_map(:id)
        .each { |id| AskFirst::App::Dispatch::Verify.call(world.environment, process, showing_id: id) }
      rows = db[:showings].where(post_id: post).all
      expect(rows.map { |row| row[:seen] }).to eq %w[same same]
      expect(rows.map { |row| row[:sent_at] - Time.utc(2026, 10, 15, 6, 30) }).to all(be >= 0)
      page = Net::HTTP.get(URI(rows.first[:address]))
      expect(page).to include("When fog sits on the estuary", "alt=\"A ferry in fog\"")
      feed = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/networks/ticker/@quillmere/feed.json")))
      expect(feed["items"].first["content_text"]).to start_with "When fog sits"
    end

    it "does nothing the second time, however often it is called" do
      post = released
      world.clock.set(due)
      3.times { advance(post) }
      expect(sent(post).size).to eq 1
    end

    it "sends nothing under a hold, and what is due goes when the hold is lifted" do
      post = released
      hold = world.act("Signoff::Hold", :ines, reason: "Storm")
      expect(world.stage(post)).to eq "held"
      world.clock.set(due)
      advance(post)
      expect(sent(post)).to eq []
      world.act("Signoff::LiftHold", :ines, hold_id: hold)
      advance(post)
      expect(sent(post).size).to eq 1
    end

    it "sends nothing that a change has come in for since it was released" do
      post = world.draft(channels: [:ticker])
      world.clear(post)
      world.release(post)
      world.answer(post, :per, "change", "The pier is closed")
      expect(world.stage(post)).to eq "changes_wanted"
      world.clock.set(due)
      advance(post)
      expect(sent(post)).to eq []
      expect(db[:releases].where(post_id: post).get(:ended_why)).to eq "Per Haugland wants a change"
    end

    it "checks again in the moment before sending: a row that was changed behind its back is trouble, not a send" do
      post = released
      world.owner[:parts].where(post_id: post, part: "text").update(value: Sequel.lit("'\"slipped in\"'::jsonb"))
      world.clock.set(due)
      advance(post)
      expect(showing(post)).to include(state: "trouble", trouble: a_string_including("was not sent"))
      expect(sent(post)).to eq []
    end

    it "refuses a card that cannot be used, goes on with the last good one, and the channel says so until a good one " \
         "comes" do
      card = JSON.parse(JSON.generate(db[:channels].where(id: world.channel(:ticker)).get(:card)))
      said = -> do
        world.act("Channels::ChannelList", :ines)[:channels]
          .find { |one| one[:id] == world.channel(:ticker) }
          .values_at(:level, :sentence)
      end
      world.world.control("ticker/card", card.merge("text" => card["text"].merge("rule" => "feet")))
      first = released
      world.clock.set(due)
      advance(first)
      expect(showing(first)[:state]).to eq "out"
      expect(db[:channels].where(id: world.channel(:ticker)).get(:card)["text"]["rule"]).to eq "weighted"
      expect(said.call).to match [
              "rules",
              /The network's card cannot be used: its counting rule “feet” is not known here\. What it took before hol/
            ]
      expect(db[:record].where(act: "card_refused").count).to eq 1
      world.world.control("ticker/card", card)
      world.clock.set(SpecWorld::NOON)
      db[:channels].update(card_at: nil)
      second = released
      world.clock.set(due)
      advance(second)
      expect([showing(second)[:state], said.call.first]).to eq %w[out fine]
    ensure
      world.world.control("ticker/card", card)
    end

    it "builds the request again under today's card: changed rules are trouble, not a send" do
      post = released
      card = JSON.parse(JSON.generate(db[:channels].where(id: world.channel(:ticker)).get(:card)))
      world.world.control("ticker/card", card.merge("text" => card["text"].merge("limit" => 20)))
      world.clock.set(due)
      advance(post)
      expect(showing(post)[:trouble]).to include "rules have changed"
    ensure
      world.world.control("ticker/card", card)
      db[:channels].where(id: world.channel(:ticker)).update(card: AskFirst::Store::Database.jsonb(card))
    end

    # Ways in which what lies in the folder stops being what was approved.
    {
      "another picture" => ->(path) { File.binwrite(path, SpecWorld.picture(4_711).read) },
      "the half of it" => ->(path) { File.truncate(path, File.size(path) / 2) },
      "nothing in it" => ->(path) { File.truncate(path, 0) },
      "15 bytes of text" => ->(path) { File.write(path, "not the picture") },
      "one bit of it" => ->(path) do
        bytes = File.binread(path)
        bytes.setbyte(bytes.bytesize / 2, bytes.getbyte(bytes.bytesize / 2) ^ 1)
        File.binwrite(path, bytes)
      end
    }.each do |what, spoil|
      it "compares a file with what the yes named before it is handed on: #{what} is trouble, told, and not sent" do
        post = released
        ids = db[:revision_adaptations].where(post_id: post).get(:rendition_ids).to_a
        rendition = db[:renditions].where(id: ids).first
        spoil.call(world.environment.files.path(rendition[:file]))
        expect(
          refusal { world.act("Media::OpenFile::Rendition", :ines, rendition_id: rendition[:id]) }.code
        ).to eq "file_spoiled"
        world.clock.set(due)
        2.times { advance(post) }
        expect([showing(post)[:state], sent(post)]).to eq ["trouble", []]
        expect(showing(post)[:trouble]).to match(/A file of it, as made for Ticker, has .+ It was not sent\./)
        expect(events(post)).to eq ["trouble"]
        expect(db[:notices].where(kind: "trouble", post_id: post).select_map(:person_id)).to include(
          world.person(:ines)
        )
      end
    end

    it "sends nothing to a channel that was archived behind its back" do
      post = released
      channel = db[:channels].where(id: world.channel(:ticker))
      channel.update(archived_at: world.environment.now)
      world.clock.set(due)
      advance(post)
      expect([showing(post)[:state], showing(post)[:trouble]]).to match ["trouble", /Ticker is archived/]
      expect(sent(post)).to eq []
    ensure
      channel.update(archived_at: nil)
    end

    it "does not send more than half an hour late" do
      post = released
      world.clock.set(due + 1900)
      advance(post)
      expect(showing(post)[:trouble]).to include "not sent so late"
    end

    it "a sender whose lease is over is taken over once: unclear, then asked for, never just sent again" do
      post = released
      world.clock.set(due)
      world.sending(post, lease_until: due - 1)
      2.times { advance(post) }
      expect([showing(post)[:state], events(post)]).to eq ["unclear", ["unclear"]]
      [3, 6].each do |later|
        world.clock.set(due + later)
        advance(post)
      end
      expect(events(post)).to eq %w[unclear not_there_yet again picture sending sent]
      expect(world.stage(post)).to eq "out"
      expect(sent(post).size).to eq 1
    end

    it "a sender whose lease runs is left alone" do
      post = released
      world.clock.set(due)
      world.sending(post)
      db[:dispatchers].insert(
        id: showing(post)[:sender],
        name: "another",
        started_at: due,
        heartbeat_at: due,
        clock_gap: 0
      )
      advance(post)
      expect([showing(post)[:state], sent(post)]).to eq ["sending", []]
    end

    it "an answer that comes while it is being sent is told that it is too late" do
      post = released
      world.sending(post)
      expect(refusal { world.answer(post, :per, "change", "Stop") }.code).to eq "too_late"
      expect(refusal { world.act("Dispatch::TakeBack", :ines, post_id: post) }.code).to eq "too_late"
      expect(refusal { world.write(post, "text", "x") }.code).to eq "too_late"
    end
  end

  describe "what networks do wrong" do
    before { world.clock.set(SpecWorld::NOON) }

    it "429 was not taken: it waits as asked, and goes later" do
      post = released
      fault(:ticker, "busy", seconds: 7)
      world.clock.set(due)
      advance(post)
      expect([showing(post)[:state], events(post).last]).to eq %w[planned later]
      advance(post)
      expect(events(post).last).to eq "later" # not before it is asked to
      world.clock.set(due + 8)
      advance(post)
      expect(world.stage(post)).to eq "out"
    end

    it "a wait of a day that a network asks for is kept silent for no longer than it could still be sent" do
      post = released(channels: [:vitrine])
      fault(:vitrine, "broken")
      world.clock.set(due)
      advance(post)
      fault(:vitrine, "busy", seconds: 86_400) # the second try: one of the two may be out
      world.clock.set(due + 5)
      advance(post)
      expect(showing(post)[:state]).to eq "unclear"
      expect(showing(post)[:due_at]).to be <= due + (31 * 60)
      world.clock.set(due + (31 * 60))
      3.times { advance(post) }
      expect([showing(post)[:state], showing(post)[:trouble]]).to match ["trouble", /may be out/]
      expect(db[:notices].where(kind: "trouble", post_id: post).select_map(:person_id)).to include world.person(:ines)
    end

    it "500 is unclear: the network is asked by the id before anything is sent again" do
      post = released
      fault(:ticker, "broken")
      world.clock.set(due)
      advance(post)
      expect(showing(post)[:state]).to eq "unclear"
      advance(post)
      expect(events(post).last).to eq "unclear" # not before it settles
      [3, 6].each do |later|
        world.clock.set(due + later)
        advance(post)
      end
      expect(events(post)).to eq %w[picture sending unclear not_there_yet again sending sent]
      expect(sent(post).size).to eq 1
    end

    it "502 after accepting: found by its id, not sent twice" do
      post = released
      fault(:ticker, "bad_gateway_after_accepting")
      world.clock.set(due)
      advance(post)
      world.clock.set(due + 5)
      advance(post)
      expect(events(post).last).to eq "found"
      expect([world.stage(post), sent(post).size]).to eq ["out", 1]
    end

    it "a network that counts the same id once gets it again, and makes one post" do
      post = released(channels: [:vitrine])
      fault(:vitrine, "bad_gateway_after_accepting")
      world.clock.set(due)
      advance(post)
      world.clock.set(due + 5)
      advance(post)
      expect([world.stage(post), sent(post, :vitrine).size]).to eq ["out", 1]
    end

    it "a plain site with neither gets no second try: a person looks and decides" do
      post = released
      card = db[:channels].where(id: world.channel(:ticker)).get(:card)
      world.world.control("ticker/card", card.merge("finds_by_id" => false))
      fault(:ticker, "broken")
      world.clock.set(due)
      advance(post)
      world.clock.set(due + 5)
      advance(post)
      expect(showing(post)).to include(state: "trouble", trouble: a_string_including("Look there"))
      world.act("Dispatch::Settle", :ines, showing_id: showing(post)[:id], saw: "not_there")
      advance(post)
      expect(sent(post).size).to eq 1
    ensure
      world.world.control("ticker/card", card)
      db[:channels].where(id: world.channel(:ticker)).update(card: AskFirst::Store::Database.jsonb(card))
    end

    it "401 marks the connection lapsed and tells people" do
      post = released
      fault(:ticker, "lapsed", times: 10)
      world.clock.set(due)
      advance(post)
      expect(db[:channels].where(id: world.channel(:ticker)).get(:state)).to eq "lapsed"
      expect(showing(post)[:trouble]).to include "lapsed"
    ensure
      db[:channels].where(id: world.channel(:ticker)).update(state: "connected")
    end

    it "a final 4xx is trouble with the network's own words" do
      post = released
      fault(:ticker, "refuse")
      world.clock.set(due)
      advance(post)
      expect(showing(post)[:trouble]).to include "invalid_request"
    end

    it "a picture that was dropped is seen, and said loudly" do
      post = released(channels: [:vitrine])
      fault(:vitrine, "drop_picture")
      world.clock.set(due)
      advance(post)
      verify(post)
      expect(showing(post)).to include(
        state: "trouble",
        seen: "differs",
        trouble: "The post is there, its picture is not."
      )
      world.act("Dispatch::Settle", :ines, showing_id: showing(post)[:id], saw: "fine")
      expect(world.stage(post)).to eq "out"
    end

    it "a post that shows late is looked for again; one that never shows is trouble" do
      post = released
      fault(:ticker, "never_show")
      world.clock.set(due)
      advance(post)
      verify(post, look: 1)
      expect(events(post).last).to eq "not_there_yet"
      verify(post, look: 4)
      expect(showing(post)[:trouble]).to eq "The network does not show the post."
    end

    it "what a person says they saw is settled once, with its address" do
      post = released
      fault(:ticker, "refuse")
      world.clock.set(due)
      advance(post)
      expect(
        refusal do
          world.act(
            "Dispatch::Settle",
            :maro,
            showing_id: showing(post)[:id],
            saw: "there",
            address: "https://a.example/1"
          )
        end.code
      ).to eq "not_yours"
      expect(
        refusal do
          world.act("Dispatch::Settle", :ines, showing_id: showing(post)[:id], saw: "there", address: "nowhere")
        end.code
      ).to eq "bad_link"
      world.act(
        "Dispatch::Settle",
        :ines,
        showing_id: showing(post)[:id],
        saw: "there",
        address: "https://ticker.example/1"
      )
      expect(world.stage(post)).to eq "out"
      expect(
        refusal { world.act("Dispatch::Settle", :ines, showing_id: showing(post)[:id], saw: "fine") }.code
      ).to eq "no_trouble"
    end
  end

  it "a planned showing is due when its live release says so, and what lost its time is mended" do
    post = released
    expect(showing(post)[:due_at]).to eq due - 1
    world.act("Dispatch::TakeBack", :ines, post_id: post)
    expect(showing(post)[:due_at]).to be_nil
    world.release(post)
    db[:showings].where(post_id: post).update(due_at: nil)
    expect(AskFirst::Store::Dispatch::Due.mend(db)).to eq 1
    expect(showing(post)[:due_at]).to eq due - 1
  end

  it "the log and the story tell what happened" do
    post = released
    world.clock.set(due)
    advance(post)
    scope =
      AskFirst::Store::Scope.new(db, workspace_ids: [world.workspace], person_id: world.person(:ines), side: "agency")
    log = AskFirst::App::Dispatch::DispatchLog.call(world.environment, scope)
    expect(log[:out]).to include(a_hash_including(post_id: post, late: a_value_between(0, 5)))
    story = world.act("Dispatch::ShowingStory", :ines, showing_id: showing(post)[:id])
    expect(story[:attempts].map { |one| one[:event] }).to eq %w[picture sending sent]
  end
end
