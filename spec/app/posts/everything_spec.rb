# frozen_string_literal: true

# A post that uses all of what a post can have, from the ask to the network: what was asked about is what stands, what
# is released, what goes out, and what the network shows.
RSpec.describe "A post with everything", :database do
  let(:client) { fresh_client }
  let(:channels) do
    %w[ticker vitrine guildhall commons noticeboard].to_h { |network| [network.to_sym, connected(client, network)] }
  end
  let(:post) do
    plain_post(client, channels.values, text: "With @[Harbour Museum]: fog. See http://quillmere.example/lamp. #fog")
  end

  def save(part, value, on: nil)
    row = db[:parts].where(post_id: post, part: part, channel_id: on && channels.fetch(on)).first
    world.act(
      "Posts::UpdatePart",
      :ines,
      client,
      post_id: post,
      channel_id: on && channels.fetch(on),
      part: part,
      value: value,
      version: row ? row[:version] : 0
    )
  end

  def upload(seed) =
    world.act("Media::UploadMedia", :ines, client, io: SpecWorld.picture(seed), name: "p#{seed}.jpg")[:id]

  before do
    world.act(
      "Clients::UpdateSettings",
      :ines,
      client,
      version: 1,
      currency: "EUR",
      tracking: {
        "source" => "{network}",
        "medium" => "social",
        "campaign" => "{campaign}",
        "term" => "x y",
        "content" => "{channel}"
      }
    )
    channels
    world.act(
      "Posts::SaveMention",
      :ines,
      client,
      name: "Harbour Museum",
      spellings: {
        "Ticker" => "@museum",
        "Vitrine" => "@harbour.museum"
      }
    )
    first, second, card = [1, 2, 3].map { |seed| upload(seed) }
    save("media", [first, second])
    save("descriptions", { first => "A ferry in fog", second => "Another" })
    save("framing", { second => { "shape" => [4, 5], "focus" => [300, 500], "zoom" => 120 } })
    save(
      "link",
      {
        "address" => "http://quillmere.example/lamp",
        "card" => {
          "title" => "The lamp",
          "words" => "Green, amber, red",
          "picture" => card
        },
        "bare" => "drop"
      }
    )
    save("tagged", [{ "name" => "Harbour Museum", "media" => first, "x" => 400, "y" => 300 }])
    save("first_comment", "More at the pier, with @[Harbour Museum].")
    save("call_to_action", "Book now")
    save("audience", { "places" => ["Lisbon + 30 km"], "languages" => ["pt"] })
    save("budget", { "minor" => 4_000, "currency" => "EUR" })
    save(
      "event",
      {
        "name" => "Museum night",
        "place" => "Pier 2",
        "starts" => "2026-10-17T20:00",
        "ends" => nil,
        "zone" => "Europe/Lisbon"
      }
    )
    %i[guildhall commons].each { |network| save("media", [], on: network) }
    save("media", [first], on: :noticeboard)
    save(
      "link",
      { "address" => "http://quillmere.example/winter?x=1#top", "tags" => { "campaign" => "own", "source" => "here" } },
      on: :ticker
    )
    world.act("Posts::SetCampaign", :ines, client, post_id: post, name: "Winter timetable")
  end

  def by_network
    world.post_state(post, client).adaptations.to_h { |one| [one.channel[:network].downcase.to_sym, one] }
  end

  it "keeps its fingerprints from the ask on, and its yeses count" do
    world.act("Posts::MarkReady", :ines, client, post_id: post)
    kept = db[:revision_adaptations].where(post_id: post).select_hash(:adaptation_id, :fingerprint)
    expect(by_network.values.to_h { |one| [one.id, one.fingerprint] }).to eq kept
    expect(by_network.values.map(&:stage).uniq).to eq ["cleared"]
    expect(
      by_network.values.map do |one|
        AskFirst::Core::Posts::Fingerprint.of(db[:revision_adaptations].where(adaptation_id: one.id).get(:request).to_h)
      end
    ).to match_array kept.values
  end

  it "says in words to whoever reads it what goes out beside text and media" do
    proofs =
      world.act("Posts::PostSheet", :ines, client, post_id: post)[:adaptations].to_h do |one|
        [one[:channel][:network].downcase.to_sym, one[:proof]]
      end
    expect(proofs[:commons].slice(:audience, :budget, :event)).to eq(
      audience: "Lisbon + 30 km; in pt",
      budget: "EUR 40.00",
      event: nil
    )
    expect(proofs[:noticeboard].slice(:audience, :budget, :event)).to eq(
      audience: nil,
      budget: nil,
      event: "Museum night, Pier 2, Sat 17 Oct 2026, 20:00"
    )
  end

  it "lays two revisions beside each other, settings by line and in words" do
    world.act("Posts::MarkReady", :ines, client, post_id: post)
    world.act(
      "Posts::OpenPost",
      :ines,
      client,
      post_id: post,
      adaptation_ids: world.post_state(post, client).adaptations.map(&:id)
    )
    save("budget", { "minor" => 5_000, "currency" => "EUR" })
    save(
      "event",
      {
        "name" => "Museum night",
        "place" => "Pier 3",
        "starts" => "2026-10-17T20:00",
        "ends" => "2026-10-18T01:00",
        "zone" => "Europe/Lisbon"
      }
    )
    world.act("Posts::MarkReady", :ines, client, post_id: post)
    lines =
      world.act("Posts::Revisions", :ines, client, post_id: post, from: 1, to: 2)[:compared][:adaptations].to_h do |one|
        [one[:channel][:network].downcase.to_sym, one[:lines]]
      end
    expect(lines[:commons]).to eq [{ key: "budget", label: "Boost", before: "EUR 40.00", after: "EUR 50.00" }]
    expect(lines[:noticeboard]).to eq [
         {
           key: "event",
           label: "Event",
           before: "Museum night, Pier 2, Sat 17 Oct 2026, 20:00",
           after: "Museum night, Pier 3, Sat 17 Oct 2026, 20:00 to Sun 18 Oct 2026, 1:00"
         }
       ]
    expect(lines[:guildhall]).to eq []
  end

  it "gives each network what it takes, and nothing else" do
    requests = by_network.transform_values(&:request)
    expect(requests[:ticker]["text"]).to include(
      "With @museum: fog.",
      "http://quillmere.example/winter?x=1&utm_source=here&utm_campaign=own#top"
    )
    expect(requests[:guildhall]["text"]).to eq "With Harbour Museum: fog. See. #fog"
    expect(requests[:vitrine].values_at("first_comment", "call_to_action", "event")).to eq [
         "More at the pier, with @harbour.museum.",
         nil,
         nil
       ]
    expect(requests[:vitrine]["tagged"]).to eq [{ "id" => "@harbour.museum", "media" => 0, "x" => 400, "y" => 300 }]
    expect(requests[:commons].values_at("call_to_action", "audience", "budget", "first_comment")).to eq [
         "Book now",
         { "places" => ["Lisbon + 30 km"], "languages" => ["pt"] },
         { "minor" => 4_000, "currency" => "EUR" },
         ""
       ]
    expect(requests[:noticeboard].values_at("call_to_action", "budget")).to eq ["Book now", nil]
    expect(requests[:noticeboard]["event"]).to include("name" => "Museum night")
    expect(requests.transform_values { |request| !request["link_card"].nil? }).to eq(
      ticker: false,
      vitrine: false,
      guildhall: true,
      commons: true,
      noticeboard: false
    )
  end

  it "goes out so, and the networks show it so" do
    world.act("Posts::MarkReady", :ines, client, post_id: post)
    world.release(post, client: client)
    process = AskFirst::App::Member.process(world.workspace(client), "dispatcher")
    world.clock.set(Time.utc(2026, 10, 15, 6, 30, 1))
    showings = db[:showings].where(post_id: post).select_map(:id)
    showings.each { |id| AskFirst::App::Dispatch::Advance.call(world.environment, process, showing_id: id) }
    expect(db[:showings].where(post_id: post).select_map(:state).uniq).to eq ["out"]
    sleep 3.2 # as long as the slowest of them takes to settle
    showings.each { |id| AskFirst::App::Dispatch::Verify.call(world.environment, process, showing_id: id) }
    expect(
      db[:showings].where(
        post_id: post,
        channel_id: channels.values_at(:ticker, :vitrine, :guildhall, :commons)
      ).select_map(%i[seen seen_note])
    ).to all(eq(["same", ""]))
    page =
      Net::HTTP.get(
        URI(db[:showings].where(post_id: post, channel_id: channels[:commons]).get(:address))
      ).force_encoding("UTF-8")
    expect(page).to include("The lamp", "Book now")
  end
end
