# frozen_string_literal: true

RSpec.describe "Channels" do
  let(:client) { fresh_client }

  def offline(name = "Leaflet", **more) =
    world.act("Channels::AddOffline", :ines, client, name: name, initials: "Lf", limit: 40, pictures: 1, **more)
  def here(who = :ines) = world.act("Channels::ChannelList", who, client)
  def save_set(name, ids, **more) = world.act("Channels::SaveSet", :ines, client, name: name, channel_ids: ids, **more)

  def code_of
    yield
    nil
  rescue AskFirst::Core::Error => e
    e.code
  end

  it "are ordered for everybody, and switched off in one's own views only" do
    one = offline("One")
    two = offline("Two")
    world.act("Channels::OrderChannels", :ines, client, channel_ids: [two, one])
    expect(here(:bram)[:channels].map { |channel| channel[:name] }).to eq %w[Two One]
    expect(code_of { world.act("Channels::OrderChannels", :ines, client, channel_ids: [two]) }).to eq "channels_changed"
    world.act("Channels::SwitchChannel", :ines, client, channel_id: one, off: true)
    expect(here[:channels].map { |channel| channel[:off] }).to eq [false, true]
    expect(here(:bram)[:channels].map { |channel| channel[:off] }).to eq [false, false]
    world.act("Channels::SwitchChannel", :ines, client, channel_id: one, off: false)
    expect(here[:channels].map { |channel| channel[:off] }).to eq [false, false]
  end

  it "that are archived are asked for, released to and sent to no more; what was asked is withdrawn" do
    one_step_route(client)
    ids = %w[One Two].map { |name| offline(name) }
    post = plain_post(client, ids, text: "Short")
    cleared = plain_post(client, ids, text: "Another")
    asked = plain_post(client, [ids.last], text: "A third")
    world.ask(cleared, 0, client: client)
    world.answer(cleared, :bram, client: client)
    world.ask(asked, 0, client: client)
    world.act("Channels::ArchiveChannel", :ines, client, channel_id: ids.last)
    expect(db[:ask_lines].where(post_id: asked).get(:ended_as)).to eq "withdrawn"
    expect(code_of { world.ask(asked, 0, client: client) }).to eq "channel_archived"
    world.ask(post, 0, client: client)
    line = db[:ask_line_adaptations].where(line_id: world.line(post)[:id]).select(:adaptation_id)
    expect(db[:adaptations].where(id: line).select_map(:channel_id)).to eq [ids.first]
    world.release(cleared, client: client)
    expect(world.post_state(cleared, client).adaptations.map(&:stage)).to match_array %w[released cleared]
    gone = db[:adaptations].where(post_id: cleared, channel_id: ids.last).get(:id)
    expect(code_of { world.release(cleared, client: client, adaptation_ids: [gone]) }).to eq "channel_archived"
  end

  it "are archived when nothing is released to them, and come back" do
    id = offline
    post = ready_post(client, id, text: "Short")
    world.release(post, client: client)
    expect(code_of { world.act("Channels::ArchiveChannel", :ines, client, channel_id: id) }).to eq "has_releases"
    world.act("Dispatch::TakeBack", :ines, client, post_id: post)
    world.act("Channels::ArchiveChannel", :ines, client, channel_id: id)
    expect(here[:channels]).to be_empty
    expect(here[:archived].map { |one| one[:id] }).to eq [id]
    expect(world.act("Posts::PostSheet", :ines, client, post_id: post)[:adaptations].size).to eq 1
    fresh = world.act("Posts::CreatePost", :ines, client, subject: "x")
    expect { world.act("Posts::ChooseChannels", :ines, client, post_id: fresh, channel_ids: [id]) }.to raise_error(
      AskFirst::Core::Error
    )
    world.act("Channels::ArchiveChannel", :ines, client, channel_id: id, out: true)
    expect(here[:channels].map { |one| one[:id] }).to eq [id]
  end

  describe "a channel set" do
    it "is channels under one name; changed, it leaves the posts made with it as they are" do
      ids = %w[One Two Three].map { |name| offline(name) }
      set = save_set("all in town", ids.first(2))
      post = plain_post(client, ids.first(2), text: "Short")
      save_set("all in town", [ids.last], set_id: set, version: 1)
      expect(world.post_state(post, client).adaptations.map { |one| one.row[:channel_id] }).to match_array ids.first(2)
      expect(here[:sets].first).to include(name: "all in town", channel_ids: [ids.last], version: 2)
    end

    it "two who change it at once: the second sees the first's" do
      ids = %w[One Two].map { |name| offline(name) }
      set = save_set("town", ids)
      save_set("town", [ids.first], set_id: set, version: 1)
      expect { save_set("hill", ids, set_id: set, version: 1) }.to raise_error(AskFirst::Core::Conflict) { |error|
        expect(error.facts).to eq("theirs" => { "name" => "town", "channel_ids" => [ids.first] }, "version" => 2)
      }
    end

    it "has a name of its own and channels of this client" do
      id = offline
      save_set("town", [id])
      expect(code_of { save_set("Town", [id]) }).to eq "name_taken"
      expect(code_of { save_set("", [id]) }).to eq "name_missing"
      expect(code_of { save_set("other", [world.channel(:ticker)]) }).to eq "no_such_channel"
      expect(code_of { save_set("none", []) }).to eq "no_such_channel"
    end

    it "narrows lists and asks, and is dropped without touching a post" do
      ids = %w[One Two].map { |name| offline(name) }
      set = save_set("first", [ids.first])
      inside = plain_post(client, ids.first, text: "In")
      outside = plain_post(client, ids.last, text: "Out")
      listed =
        AskFirst::App::Posts::ListPosts.call(
          world.member(:ines, client).scope(world.environment.db),
          channels: [ids.first]
        )[
          :posts
        ].map { |post| post[:id] }
      expect(listed).to eq [inside]
      world.act("Channels::RemoveSet", :ines, client, set_id: set)
      expect(here[:sets]).to be_empty
      expect([inside, outside].map { |post| world.post_state(post, client).adaptations.size }).to eq [1, 1]
    end
  end

  describe "a channel that no network takes" do
    let(:id) { offline }

    it "has its own name, mark and limits, and the checks hold them" do
      post = ready_post(client, id, text: "x" * 41)
      sheet = world.act("Posts::PostSheet", :ines, client, post_id: post)
      expect(JSON.generate(sheet[:adaptations])).to include "41"
      expect(code_of { world.release(post, client: client) }).to eq "has_faults"
      version = here[:channels].first[:version]
      world.act(
        "Channels::UpdateChannel",
        :ines,
        client,
        channel_id: id,
        version: version,
        name: "Big leaflet",
        limits: {
          "initials" => "BL",
          "limit" => 60,
          "pictures" => 1,
          "picture_needed" => false
        }
      )
      world.release(post, client: client)
      expect(
        code_of { world.act("Channels::UpdateChannel", :ines, client, channel_id: id, version: version, name: "Other") }
      ).to eq "channel_changed"
      {
        { initials: "Long" } => "initials",
        { limit: 0 } => "limit",
        { pictures: 99 } => "pictures",
        { name: " " } => "name"
      }.each do |wrong, field|
        expect {
          world.act("Channels::AddOffline", :ines, client, name: "N", initials: "N", limit: 10, pictures: 1, **wrong)
        }.to raise_error(AskFirst::Core::Invalid) { |error| expect(error.field).to eq field }
      end
    end

    describe "at its time" do
      let(:post) { ready_post(client, id, text: "Short").tap { |made| world.release(made, client: client) } }
      let(:showing) { db[:showings].where(post_id: post).get(:id) }
      let(:process) { AskFirst::App::Member.process(world.workspace(client), "dispatcher") }

      def by_hand(name, who = :ines, **more) = world.act("Dispatch::#{name}", who, client, showing_id: showing, **more)

      def come
        showing
        world.clock.set(Time.utc(2026, 10, 15, 6, 30, 1))
        AskFirst::App::Dispatch::Advance.call(world.jobs, process, showing_id: showing)
      end

      it "waits for a person with everything ready; taken up, published, it says where it went" do
        come
        expect(
          AskFirst::App::Agency::Desk.call(world.environment, agency_person(:ines).scope(world.environment.db))[
            :by_hand
          ].map { |one| one[:showing_id] || one[:id] }
        ).to include showing
        expect(by_hand("ByHandPage")).to include(text: "Short", channel: "Leaflet", state: "by_hand", mine: false)
        expect(code_of { by_hand("ConfirmByHand", place: "Counter") }).to eq "not_taken_up"
        by_hand("TakeUp")
        expect(code_of { by_hand("TakeUp", :bram) }).to eq "taken_up"
        expect(code_of { by_hand("ConfirmByHand", place: "  ") }).to eq "place_missing"
        by_hand("ConfirmByHand", place: "On the counter of shop 2")
        expect(world.stage(post)).to eq "out"
        expect(db[:showings].where(id: showing).first).to include(
          state: "out",
          sent_at: world.environment.now,
          address: "On the counter of shop 2"
        )
        expect(db[:record].where(post_id: post).order(:order_no).select_map(:act)).to end_with(
          "due_by_hand",
          "taken_up",
          "sent"
        )
      end

      it "is told to the owner of the post, or to whom the client's settings name" do
        db[:workspaces].where(id: world.workspace(client)).update(publisher_id: world.person(:bram))
        come
        expect(db[:notices].where(post_id: post, kind: "task").select_map(:person_id)).to eq [world.person(:bram)]
      end

      it "is let go again by who has it, and taken up by another" do
        come
        by_hand("TakeUp")
        expect(code_of { by_hand("LetGo", :bram) }).to eq "not_taken_up"
        by_hand("LetGo")
        by_hand("TakeUp", :bram)
        expect(by_hand("ByHandPage")).to include(claimed_by: "Bram Teodoro", mine: false)
      end

      it "whoever has it is told of a hold at once; when they are a member no more, another takes it up" do
        come
        gone = world.insider("agency owner", client: client)
        world.act("Dispatch::TakeUp", gone, client, showing_id: showing)
        hold = world.act("Signoff::Hold", :bram, client, reason: "a storm")
        expect(db[:notices].where(person_id: gone.person_id, post_id: post).get(:words)).to include(
          "Do not publish it now",
          "a storm"
        )
        world.act("Signoff::LiftHold", :bram, client, hold_id: hold)
        expect(code_of { by_hand("TakeUp") }).to eq "taken_up"
        db[:memberships].where(id: gone.membership_id).update(ended_at: world.environment.now)
        by_hand("TakeUp")
        expect(by_hand("ByHandPage")).to include(mine: true)
      end

      it "two who take it up at once: one has it" do
        come
        codes = %i[ines bram].map { |who| Thread.new { code_of { by_hand("TakeUp", who) } } }.map(&:value)
        expect(codes.compact).to eq ["taken_up"]
      end

      it "is checked again when it is taken up: a hold, or a change, stops it" do
        come
        hold = world.act("Signoff::Hold", :ines, client, reason: "a storm")
        expect(code_of { by_hand("TakeUp") }).to eq "held"
        world.act("Signoff::LiftHold", :ines, client, hold_id: hold)
        by_hand("TakeUp")
      end
    end
  end
end
