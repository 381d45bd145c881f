# frozen_string_literal: true

RSpec.describe "What stands beside a post", :database do
  it "labels are made on the spot, and one made twice at once is one" do
    one = world.draft(picture: false)
    other = world.draft(picture: false)
    expect(
      world.act("Posts::SetLabels", :ines, post_id: one, names: ["Times, prices", " service "])
    ).to contain_exactly("Times, prices", "service")
    threads =
      4.times.map do
        Thread.new { world.act("Posts::SetLabels", :ines, post_id: other, names: %w[Fog fog FOG].shuffle) }
      end
    threads.each(&:join)
    expect(db[:labels].where(:workspace_id => world.workspace, Sequel.function(:lower, :name) => "fog").count).to eq 1
    expect(world.act("Posts::SetLabels", :ines, post_id: one, names: [])).to eq []
    expect(refused { world.act("Posts::SetLabels", :maro, post_id: one, names: ["x"]) }).to eq "not_yours"
  end

  it "labels, campaign and note void no yes" do
    post = world.draft
    world.clear(post)
    world.act("Posts::SetLabels", :ines, post_id: post, names: ["Late label"])
    world.act("Posts::SetCampaign", :ines, post_id: post, name: "Winter")
    world.act("Posts::UpdateNote", :ines, post_id: post, note: "Ask the pier master first.", version: 1)
    expect(world.stages(post).values.uniq).to eq ["cleared"]
  end

  it "the note keeps what two wrote: the second sees the first's" do
    post = world.draft(picture: false)
    world.act("Posts::UpdateNote", :maro, post_id: post, note: "Maro's", version: 1)
    expect { world.act("Posts::UpdateNote", :ines, post_id: post, note: "Ines's", version: 1) }.to raise_error(
      AskFirst::Core::Conflict
    ) { |error| expect(error.facts["theirs"]).to eq "Maro's" }
    expect(refused { world.act("Posts::UpdateNote", :odile, post_id: post, note: "x", version: 2) }).to eq "not_found"
  end

  describe "the reminder list" do
    it "is kept by the lead, ticked by whoever looks, and keeps its ticks when it changes" do
      post = world.draft(picture: false)
      list =
        world.act("Checks::UpdateReminders", :ines, words: ["Did you look at the tide table?", "Is the pier named?"])
      world.act("Checks::TickReminder", :maro, post_id: post, reminder_id: list.first[:id], ticked: true)
      world.act("Checks::UpdateReminders", :ines, words: ["Is the bus named?", "Did you look at the tide table?"])
      shown = world.act("Posts::PostSheet", :ines, post_id: post)[:reminders]
      expect(shown.map { |row| row.values_at(:words, :ticked_by) }).to eq [
           ["Is the bus named?", nil],
           ["Did you look at the tide table?", world.member(:maro).name]
         ]
      world.act("Checks::TickReminder", :ines, post_id: post, reminder_id: list.first[:id], ticked: false)
      expect(
        world.act("Posts::PostSheet", :ines, post_id: post)[:reminders].filter_map { |row| row[:ticked_by] }
      ).to eq []
    ensure
      world.act("Checks::UpdateReminders", :ines, words: [])
    end

    it "saved by two in one moment is one list" do
      lists = [
        ["Is the pier named?", "Did you look at the tide table?"],
        ["Did you look at the tide table?", "Is the pier named?"]
      ]
      8.times.map { |n| Thread.new { world.act("Checks::UpdateReminders", :ines, words: lists[n % 2]) } }.each(&:join)
      expect(
        db[:reminders].where(workspace_id: world.workspace, dropped_at: nil).select_order_map(:words)
      ).to eq lists.last
      expect(db[:reminders].where(workspace_id: world.workspace, dropped_at: nil).select_order_map(:position)).to eq [
           0,
           1
         ]
    ensure
      world.act("Checks::UpdateReminders", :ines, words: [])
    end

    it "is not everybody's to change" do
      expect(refused { world.act("Checks::UpdateReminders", :maro, words: ["x"]) }).to eq "not_yours"
      expect(refused { world.act("Checks::UpdateReminders", :ines, words: ["x"] * 21) }).to eq "too_many"
    end
  end

  describe "tracking tags" do
    it "come from the workspace, for each channel its own, and are fixed at the first ask" do
      client = fresh_client
      ticker = connected(client)
      world.act(
        "Clients::UpdateSettings",
        :ines,
        client,
        version: 1,
        tracking: {
          "source" => "{network}",
          "medium" => "social",
          "campaign" => "{campaign}"
        }
      )
      post = plain_post(client, ticker)
      world.act(
        "Posts::UpdatePart",
        :ines,
        client,
        post_id: post,
        channel_id: nil,
        part: "link",
        value: "https://quillmere.example/lamp?x=1#top",
        version: 0
      )
      world.act("Posts::SetCampaign", :ines, client, post_id: post, name: "Fog days")
      sent = -> { world.post_state(post, client).adaptations.first.request["link"] }
      expect(
        sent.call
      ).to eq "https://quillmere.example/lamp?x=1&utm_source=ticker&utm_medium=social&utm_campaign=fog-days#top"
      world.act("Posts::MarkReady", :ines, client, post_id: post)
      fingerprint = world.post_state(post, client).adaptations.first.fingerprint
      # what was kept is what stands
      expect(db[:revision_adaptations].where(post_id: post).get(:fingerprint)).to eq fingerprint
      world.act("Posts::SetCampaign", :ines, client, post_id: post, name: "Renamed since")
      world.act("Clients::UpdateSettings", :ines, client, version: 2, tracking: {})
      expect(world.post_state(post, client).adaptations.first.fingerprint).to eq fingerprint
      expect(sent.call).to end_with "utm_campaign=fog-days#top"
    end

    it "that nobody can fill in are refused at their field" do
      expect {
        world.act(
          "Clients::UpdateSettings",
          :ines,
          version: db[:workspaces].where(id: world.workspace).get(:version),
          tracking: {
            "source" => "{weather}"
          }
        )
      }.to raise_error(AskFirst::Core::Invalid) { |error| expect(error.field).to eq "tracking" }
    end
  end

  describe "the book of mentions" do
    it "gives each network its spelling, in what is sent" do
      world.act("Posts::SaveMention", :maro, name: "Harbour Museum", spellings: { "Ticker" => "@harbour.museum" })
      post = world.draft(text: "With @[Harbour Museum]")
      expect(world.post_state(post).adaptations.to_h { |one| [one.channel[:network], one.request["text"]] }).to eq(
        "Ticker" => "With @harbour.museum",
        "Vitrine" => "With Harbour Museum"
      )
      checks =
        world.act("Posts::PostSheet", :ines, post_id: post)[:adaptations].to_h do |one|
          [one[:channel][:network], one[:proof][:checks].map { |check| check[:code] }]
        end
      expect([checks["Ticker"].include?("mention_unspelled"), checks["Vitrine"].include?("mention_unspelled")]).to eq [
           false,
           true
         ]
    end

    it "changes no spelling under what was asked or cleared" do
      world.act("Posts::SaveMention", :maro, name: "The Pilot", spellings: { "Ticker" => "@pilot" })
      post = world.draft(text: "With @[The Pilot]")
      world.clear(post)
      expect(
        refused { world.act("Posts::SaveMention", :maro, name: "the pilot", spellings: { "Ticker" => "@pilot.boats" }) }
      ).to eq "sealed"
      expect(
        refused { world.act("Posts::SaveMention", :maro, name: "The Pilot", spellings: { "Vitrine" => "" }) }
      ).to eq "done"
      expect(world.stages(post).values.uniq).to eq ["cleared"]
    end

    it "changes a spelling again once what named it is out, and what went out stays as it went" do
      world.act("Posts::SaveMention", :maro, name: "The Bosun", spellings: { "Ticker" => "@bosun" })
      post = world.draft(channels: [:ticker], text: "With @[The Bosun]")
      world.clear(post)
      world.release(post)
      changed = -> do
        refused { world.act("Posts::SaveMention", :maro, name: "The Bosun", spellings: { "Ticker" => "@bosun.boats" }) }
      end
      expect(changed.call).to eq "sealed"
      world.clock.set(Time.utc(2026, 10, 15, 6, 30, 1))
      AskFirst::App::Dispatch::Advance.call(
        world.environment,
        AskFirst::App::Member.process(world.workspace, "dispatcher"),
        showing_id: db[:showings].where(post_id: post).get(:id)
      )
      expect(changed.call).to eq "done"
      expect(db[:revision_adaptations].where(post_id: post).get(:request)["text"]).to eq "With @bosun"
    end

    it "refuses a name with brackets and a network that is not there" do
      expect(refused { world.act("Posts::SaveMention", :maro, name: "a]b", spellings: {}) }).to eq "bad_name"
      expect(
        refused { world.act("Posts::SaveMention", :maro, name: "Somebody", spellings: { "Nowhere" => "@x" }) }
      ).to eq "no_such_network"
      expect(refused { world.act("Posts::SaveMention", :sunniva, name: "Somebody", spellings: {}) }).to eq "not_yours"
    end
  end

  it "others on a post hear that somebody is there, and which part is under their hands" do
    post = world.draft(picture: false)
    world.act("Posts::AnnouncePresence", :maro, post_id: post, part: "text")
    expect(world.environment.bus.heard.last).to eq [
         world.workspace,
         {
           what: "here",
           post: post,
           person: world.person(:maro),
           name: world.member(:maro).name,
           part: "text",
           channel: nil,
           leaving: false
         }
       ]
    expect(refused { world.act("Posts::AnnouncePresence", :odile, post_id: post) }).to eq "not_found"
  end
end
