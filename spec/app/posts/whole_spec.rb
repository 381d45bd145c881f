# frozen_string_literal: true

RSpec.describe "A post as a whole", :database do
  def part(post, name, on: nil) =
    db[:parts].where(post_id: post, part: name, channel_id: on && world.channel(on)).get(:value)

  describe "set back to follow" do
    it "every own part of a channel at once, each on record" do
      post = world.draft
      world.write(post, "text", "Fog? The 7:20 waits.", on: :ticker)
      world.write(post, "time", { "wall" => "2026-10-15T07:50", "zone" => "Europe/Lisbon" }, on: :ticker, who: :ines)
      expect(world.act("Posts::FollowAll", :ines, post_id: post, channel_id: world.channel(:ticker))).to match_array %w[
                    text
                    time
                  ]
      expect(world.post_state(post).adaptations.map { |one| one.own.keys }).to eq [[], []]
      expect(world.acts(post).count("part_follows")).to eq 2
      expect(
        refused { world.act("Posts::FollowAll", :ines, post_id: post, channel_id: world.channel(:ticker)) }
      ).to eq "nothing_own"
    end

    it "a time takes its release along where its yes still counts, one by one or with all, and ends it where it does " \
         "not" do
      set_back = { "FollowMaster" => { part: "time", version: 1 }, "FollowAll" => {} }
      set_back.each do |act, input|
        { "2026-10-15T18:00" => "released", "2026-10-16T18:00" => "drafting" }.each do |own, stage|
          post = world.draft(wall: "2026-10-15T19:10")
          world.write(post, "time", { "wall" => own, "zone" => "Europe/Lisbon" }, on: :ticker, who: :ines)
          world.clear(post)
          world.release(post)
          world.act("Posts::#{act}", :ines, post_id: post, channel_id: world.channel(:ticker), **input)
          expect([act, own, world.stages(post)[:ticker]]).to eq [act, own, stage]
          adaptation = world.post_state(post).adaptations.find { |one| one.channel[:name] == "Ticker" }
          live = db[:releases].where(adaptation_id: adaptation.id, ended_at: nil).select_map(:at)
          expect(live).to eq(stage == "released" ? [Time.utc(2026, 10, 15, 18, 10)] : [])
        end
      end
    end

    it "nothing at all when one of them is not the person's to change" do
      post = world.draft
      world.write(post, "text", "Fog?", on: :ticker)
      world.write(post, "media", [], on: :ticker, who: :sunniva)
      expect(
        refused { world.act("Posts::FollowAll", :maro, post_id: post, channel_id: world.channel(:ticker)) }
      ).to eq "not_yours"
      expect(part(post, "text", on: :ticker)).to eq "Fog?"
    end
  end

  describe "an earlier revision taken back" do
    let(:post) do
      world.draft.tap do |post|
        world.write(post, "text", "Fog? The 7:20 waits.", on: :ticker)
        world.ask(post, 0)
        world.answer(post, :wren, "change", "Shorter")
        world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
        world.write(post, "text", "Other words altogether.")
        world.act(
          "Posts::FollowMaster",
          :maro,
          post_id: post,
          channel_id: world.channel(:ticker),
          part: "text",
          version: 1
        )
        world.write(post, "media", [], who: :sunniva)
      end
    end

    it "says what it said, own parts too, as a new revision with its authors" do
      kept = db[:revision_adaptations].where(post_id: post).select_hash(:channel_id, :fingerprint)
      expect(world.act("Posts::TakeRevisionBack", :ines, post_id: post, number: 1)).to eq 1
      expect(world.post_state(post).adaptations.to_h { |one| [one.row[:channel_id], one.fingerprint] }).to eq kept
      expect(part(post, "text", on: :ticker)).to eq "Fog? The 7:20 waits."
      expect(db[:parts].where(post_id: post, part: "media").get(:authors).to_a).to include(world.person(:sunniva))
      expect(world.acts(post)).to include "revision_taken_back"
    end

    it "is a new number where something was kept in between" do
      world.write(post, "media", [world.illustrate(post)[:id]], who: :sunniva)
      world.ask(post, 0)
      world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
      expect(world.act("Posts::TakeRevisionBack", :ines, post_id: post, number: 1)).to eq 3
    end

    it "is refused part by part: who may not touch pictures takes none back" do
      expect(refused { world.act("Posts::TakeRevisionBack", :maro, post_id: post, number: 1) }).to eq "not_yours"
      expect(part(post, "text")).to eq "Other words altogether."
    end

    it "of a revision that was kept without its parts says so" do
      # older ones have no parts; the table refuses to be changed, so the column is emptied by its owner past the
      # trigger
      db[:revisions].first
      db.run("ALTER TABLE revisions DISABLE TRIGGER USER")
      db[:revisions].where(post_id: post).update(master: nil)
      db.run("ALTER TABLE revisions ENABLE TRIGGER USER")
      expect(
        refused { world.act("Posts::TakeRevisionBack", :ines, post_id: post, number: 1) }
      ).to eq "revision_without_parts"
      expect(refused { world.act("Posts::TakeRevisionBack", :ines, post_id: post, number: 9) }).to eq "not_found"
    end
  end

  describe "a copy" do
    it "has the same parts, labels and note, and none of the talk, asks or tasks" do
      post = world.draft
      world.write(post, "text", "Fog?", on: :ticker)
      world.act("Posts::SetLabels", :ines, post_id: post, names: ["Service"])
      world.act("Talk::Say", :ines, post_id: post, room: "client", words: "Odile, is this the rule?")
      world.ask(post, 0)
      copy = world.act("Posts::CopyPost", :ines, post_id: post).first
      expect(world.post_state(copy).adaptations.map { |one| one.request.except("media") }).to eq(
        world.post_state(post).adaptations.map { |one| one.request.except("media") }
      )
      expect(db[:post_labels].where(post_id: copy).count).to eq 1
      expect(%i[remarks tasks answers ask_lines].map { |table| db[table].where(post_id: copy).count }.sum).to eq 0
      expect(world.stage(copy)).to eq "drafting"
      expect(db[:parts].where(post_id: copy, part: "text", channel_id: nil).get(:authors).to_a).to include(
        world.person(:maro)
      )
    end

    it "for other times is one draft for each, on the channels that were chosen" do
      post = world.draft
      copies =
        world.act(
          "Posts::CopyPost",
          :ines,
          post_id: post,
          walls: %w[2026-10-22T07:30 2026-10-29T07:30],
          channel_ids: [world.channel(:vitrine)]
        )
      expect(copies.map { |copy| part(copy, "time")["wall"] }).to eq %w[2026-10-22T07:30:00 2026-10-29T07:30:00]
      expect(copies.map { |copy| world.post_state(copy).adaptations.map { |one| one.channel[:network] } }).to eq [
           ["Vitrine"],
           ["Vitrine"]
         ]
      expect(refused { world.act("Posts::CopyPost", :ines, post_id: post, walls: ["tomorrow"]) }).to eq "bad_time"
    end

    it "keeps the times of its channels as far apart as they were" do
      post = world.draft(wall: "2026-10-15T07:30")
      world.write(post, "time", { "wall" => "2026-10-15T12:10", "zone" => "Europe/Lisbon" }, who: :ines, on: :vitrine)
      own = ->(copy) do
        db[:parts].where(post_id: copy, part: "time", channel_id: world.channel(:vitrine)).get(:value)&.fetch("wall")
      end
      expect(own.call(world.act("Posts::CopyPost", :ines, post_id: post).first)).to eq "2026-10-15T12:10:00"
      # over the night in which the clock goes back: wall times, not hours
      expect(
        world.act("Posts::CopyPost", :ines, post_id: post, walls: %w[2026-10-25T08:00 2026-10-31T20:00]).map(&own)
      ).to eq %w[2026-10-25T12:40:00 2026-11-01T00:40:00]
      expect(
        own.call(world.act("Posts::CopyPost", :ines, post_id: post, channel_ids: [world.channel(:ticker)]).first)
      ).to be_nil
    end

    it "to another client is all of them or none" do
      post = world.draft
      there = db[:posts].where(workspace_id: world.workspace(:brackwater))
      before = there.count
      made = 0
      allow(AskFirst::App::Posts::CreatePost).to receive(:call).and_wrap_original do |original, *args, **input|
        raise AskFirst::Core::Conflict.new("in_the_way", "Something is in the way.") if (made += 1) > 1

        original.call(*args, **input)
      end
      expect(
        refused do
          world.act(
            "Posts::CopyPost",
            :ines,
            post_id: post,
            walls: %w[2026-10-22T07:30 2026-10-29T07:30],
            workspace_id: world.workspace(:brackwater)
          )
        end
      ).to eq "in_the_way"
      expect([made, there.count]).to eq [2, before]
      expect(db[:record].where(post_id: post, act: "post_copied_out").count).to eq 0
    end

    it "to another client has files of that client, plain names, and no trace of where it came from" do
      post = world.draft(text: "With @[Harbour Museum]: fog.")
      world.write(post, "link", { "address" => "https://quillmere.example/lamp", "tags" => { "source" => "ours" } })
      copy = world.act("Posts::CopyPost", :ines, post_id: post, workspace_id: world.workspace(:brackwater)).first
      rows = db[:parts].where(post_id: copy).to_hash(:part, :value)
      expect(rows["text"]).to eq "With Harbour Museum: fog."
      expect(rows["link"]["tags"]).to be_nil
      expect(db[:media].where(id: rows["media"]).select_map(:workspace_id)).to eq [world.workspace(:brackwater)]
      expect(rows["descriptions"].keys).to eq rows["media"]
      expect(
        db[:record].where(workspace_id: world.workspace(:brackwater), post_id: copy).map { |row| row[:facts].to_s }.join
      ).not_to include(post, world.workspace)
    end

    it "goes only where the person may write" do
      post = world.draft
      expect(
        refused { world.act("Posts::CopyPost", :maro, post_id: post, workspace_id: AskFirst::Core::Uuid.v7(Time.now)) }
      ).to eq "not_found"
      expect(refused { world.act("Posts::CopyPost", :odile, post_id: post) }).to eq "not_found"
    end
  end
end
