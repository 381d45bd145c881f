# frozen_string_literal: true

# Writing over HTTP: what comes in badly is told at its field, with a code that a program can read, and changes nothing.
RSpec.describe "Writing by the API" do
  let(:ines) { ApiWorld.client(:ines) }
  let(:w) { world.workspace }
  let(:post) { world.draft(wall: "2026-12-02T07:30") }

  def at(rest = "") = "/api/w/#{w}/posts/#{post}#{rest}"
  def seen(version) = { "HTTP_IF_MATCH" => "\"#{version}\"" }
  def version(part) = db[:parts].where(post_id: post, part: part, channel_id: nil).get(:version) || 0
  def put_part(part, value, client = ines) =
    client.call(:put, at("/parts/#{part}"), { value: value }, seen(version(part)))
  def told((status, body)) = [status, body["code"], body["field"]]

  describe "a part" do
    stranger = "01a139b6-2200-7506-bf7b-48fa2c8eff31" # nobody's file
    at_noon = {
      "name" => "Museum night",
      "place" => "Pier 2",
      "starts" => "2026-10-17T12:00",
      "ends" => nil,
      "zone" => "Europe/Lisbon"
    }
    {
      ["text", "bell \u0007"] => "bad_characters",
      ["text", 7] => "not_text",
      %w[link quillmere.example] => "bad_link",
      ["link", { "address" => "ftp://quillmere.example/" }] => "bad_link",
      ["link", { "address" => "https://quillmere.example/", "colour" => "red" }] => "bad_link",
      ["media", [stranger]] => "no_such_picture",
      ["media", [stranger, stranger]] => "bad_media",
      %w[media boat.jpg] => "bad_media",
      ["framing", { stranger => { "zoom" => 9 } }] => "bad_frame",
      ["framing", []] => "bad_framing",
      ["descriptions", { "boat.jpg" => "A boat" }] => "bad_descriptions",
      ["tagged", [{ "name" => "Pier Choir", "media" => stranger, "x" => 1001, "y" => 0 }]] => "bad_spot",
      ["tagged", [{ "name" => " ", "media" => stranger, "x" => 1, "y" => 1 }]] => "name_missing",
      ["tagged", [{ "name" => "Pier Choir", "media" => stranger, "x" => 1, "y" => 1 }]] => "no_such_picture",
      ["tagged", { "name" => "Pier Choir" }] => "bad_list",
      ["first_comment", "x" * 5_001] => "too_long",
      ["call_to_action", "x" * 61] => "too_long",
      %w[format hologram] => "no_such_format",
      ["audience", { "places" => ["Lisbon"], "languages" => ["Portuguese!"] }] => "bad_language",
      ["audience", { "places" => "Lisbon" }] => "bad_list",
      ["event", at_noon.merge("ends" => "2026-10-17T11:00")] => "event_ends_first",
      ["event", at_noon.merge("starts" => "2026-02-30T12:00")] => "bad_time",
      ["event", at_noon.merge("zone" => "Quillmere")] => "bad_zone",
      ["event", at_noon.merge("name" => "")] => "name_missing",
      ["budget", { "minor" => 40.5, "currency" => "EUR" }] => "bad_budget",
      ["budget", { "minor" => -1, "currency" => "EUR" }] => "bad_budget",
      ["budget", { "minor" => 1, "currency" => "XXZ" }] => "bad_currency",
      %w[time tomorrow] => "bad_time",
      ["time", { "wall" => "2026-02-30T07:30", "zone" => "Europe/Lisbon" }] => "bad_time",
      ["time", { "wall" => "2026-10-15T07:30", "zone" => "Nowhere/At all" }] => "bad_zone"
    }.each do |(part, value), code|
      it "#{part} #{JSON.generate(value)[0, 70]} is refused as #{code}, at its field, and nothing is changed" do
        before = db[:parts].where(post_id: post).order(:part).all
        expect(told(put_part(part, value))).to eq [422, code, part]
        expect(db[:parts].where(post_id: post).order(:part).all).to eq before
      end
    end

    it "says the way on in words, and keeps to the problem details of RFC 9457" do
      _, body = put_part("format", "hologram")
      expect(body).to include("type", "title", "status" => 422, "detail" => "There is no format “hologram”.")
      expect(body["way_on"]).to start_with "Choose one of text, picture"
      expect(ines.last_response.headers["content-type"]).to start_with "application/problem+json"
    end

    it "saved twice, since the first answer was lost on its way, is saved once, and nobody is told of a conflict" do
      body = { value: "Low tide." }
      first = ines.call(:put, at("/parts/text"), body, seen(version("text")))
      again = ines.call(:put, at("/parts/text"), body, seen(first.last["version"] - 1))
      expect([first, again]).to eq [[200, { "version" => 2 }]] * 2
      expect(
        db[:record].where(post_id: post, act: "part_saved").where(Sequel.lit("facts->>'part' = 'text'")).count
      ).to eq 2 # the draft's own words, and these
    end

    it "note, inner name and subject line as well" do
      2.times do
        expect(ines.call(:put, at("/inner-name"), { inner_name: "Route 4 once more" }, seen(1))).to eq(
          [200, { "version" => 2 }]
        )
      end
      expect(told(ines.call(:put, at("/inner-name"), { inner_name: "Route 5" }, seen(1)))).to eq(
        [409, "part_changed", "inner_name"]
      )
      expect(ines.call(:get, "/api/posts?words=route+4+once").last["posts"]).to contain_exactly(
        include("id" => post, "inner_name" => "Route 4 once more")
      )
      2.times do
        expect(ines.call(:put, at("/note"), { note: "Ask the pier master." }, seen(1))).to eq [200, { "version" => 2 }]
      end
      expect(told(ines.call(:put, at("/note"), { note: "Ask nobody." }, seen(1)))).to eq [409, "part_changed", "note"]
      2.times do
        expect(ines.call(:put, at("/subject"), { subject: "Fog again" }, seen(1))).to eq [200, { "version" => 2 }]
      end
      expect(told(ines.call(:put, at("/subject"), { subject: "Fog never" }, seen(1)))).to eq [
           409,
           "part_changed",
           "subject"
         ]
    end
  end

  it "says what the checks would say of what is typed, and refuses to guess at what is no value" do
    status, body = ines.call(:post, at("/check"), { part: "text", value: "Fog. #fog #Fog", channel: nil })
    expect([status, body["master"]["count"], body["adaptations"].size]).to eq [200, 14, 2]
    expect(body["adaptations"].first["proof"]["checks"].map { |check| check["code"] }).to include "hashtag_doubled"
    expect(told(ines.call(:post, at("/check"), { part: "time", value: "soon" }))).to eq [422, "bad_time", "time"]
    expect(told(ines.call(:post, at("/check"), { part: "weather", value: "fog" }))).to eq [422, "part_unknown", "part"]
  end

  it "spreads out as proposed, and nothing else" do
    _, sheet = ines.call(:get, at)
    times = sheet["adaptations"].first["proof"]["checks"].find { |check| check["code"] == "flooding" }["mend"]["times"]
    echo = times.map { |one| one.slice("channel_id", "wall") }
    expect(
      told(ines.call(:post, at("/spread-out"), { times: [echo.first.merge("wall" => "2026-12-02T09:00")] }))
    ).to eq [409, "proposal_changed", "times"]
    expect(told(ines.call(:post, at("/spread-out"), { times: [] })).first).to eq 422
    expect(ines.call(:post, at("/spread-out"), { times: echo })).to eq [200, { "moved" => times }]
    expect(told(ines.call(:post, at("/spread-out"), { times: echo }))).to eq [409, "proposal_changed", "times"]
  end

  it "sets all own parts of a channel back, where there are any" do
    world.write(post, "text", "Fog?", on: :ticker)
    body = { channel_id: world.channel(:ticker) }
    expect(ines.call(:post, at("/follow-master"), body).first).to eq 204
    expect(told(ines.call(:post, at("/follow-master"), body)).first(2)).to eq [409, "nothing_own"]
    expect(
      told(ines.call(:post, at("/follow-master"), { channel_id: AskFirst::Core::Uuid.v7(Time.now) })).first(2)
    ).to eq [404, "not_found"]
  end

  it "copies for other times, sixty at most, and to another client only where the person writes" do
    status, body = ines.call(:post, at("/copies"), { walls: %w[2026-12-09T07:30 2026-12-16T07:30] })
    expect([status, body["ids"].size]).to eq [201, 2]
    expect(told(ines.call(:post, at("/copies"), { walls: ["2026-12-09T07:30"] * 61 }))).to eq [422, "too_many", "walls"]
    expect(told(ines.call(:post, at("/copies"), { walls: ["next week"] }))).to eq [422, "bad_time", "walls"]
    expect(told(ines.call(:post, at("/copies"), { workspace_id: AskFirst::Core::Uuid.v7(Time.now) })).first(2)).to eq [
         404,
         "not_found"
       ]
  end

  it "keeps labels, campaign and reminders, and says what is too much" do
    expect(ines.call(:put, at("/labels"), { names: ["Over HTTP", "over http", " Pier 2 "] })).to eq [
         200,
         { "labels" => ["Over HTTP", "Pier 2"] }
       ]
    expect(told(ines.call(:put, at("/labels"), { names: Array.new(31) { |n| "Label #{n}" } }))).to eq [
         422,
         "too_many",
         "names"
       ]
    expect(told(ines.call(:put, at("/labels"), { names: ["x" * 61] }))).to eq [422, "too_long", "names"]
    expect(ines.call(:put, at("/campaign"), { name: "Winter timetable" }).first).to eq 204
    expect(told(ines.call(:put, at("/campaign"), { name: "x" * 121 }))).to eq [422, "too_long", "name"]
    expect(told(ines.call(:put, "/api/w/#{w}/reminders", { words: ["x" * 201] }))).to eq [422, "too_long", "words"]
    expect(
      told(ines.call(:put, at("/reminders/#{AskFirst::Core::Uuid.v7(Time.now)}"), { ticked: true })).first(2)
    ).to eq [404, "not_found"]
    expect(ines.call(:get, at).last.values_at("labels", "campaign")).to eq [["Over HTTP", "Pier 2"], "Winter timetable"]
  end

  it "keeps the book of mentions, and reads pages only where that is safe" do
    expect(
      ines.call(:put, "/api/w/#{w}/mentions", { name: "Pilot House", spellings: { "Ticker" => "@pilot.house" } }).first
    ).to eq 200
    expect(ines.call(:get, "/api/w/#{w}/mentions").last["mentions"]).to include(
      a_hash_including("name" => "Pilot House", "spellings" => { "Ticker" => "@pilot.house" })
    )
    expect(told(ines.call(:put, "/api/w/#{w}/mentions", { name: "[x]", spellings: {} }))).to eq [
         422,
         "bad_name",
         "name"
       ]
    read =
      lambda do |address|
        status, made = ines.call(:post, "/api/w/#{w}/link-readings", { address: address })
        expect(status).to eq 202
        expect(ines.call(:get, "/api/w/#{w}/link-readings/#{made["id"]}")).to eq [200, { "page" => nil }]
        AskFirst::App::Posts::ReadLink.call(
          world.jobs,
          AskFirst::App::Member.process(w, "dispatcher"),
          reading_id: made["id"]
        )
        ines.call(:get, "/api/w/#{w}/link-readings/#{made["id"]}")
      end
    expect(told(read.call("http://10.0.0.1/"))).to eq [422, "link_private", "link"]
    expect(read.call("http://quillmere.example/lamp").last["page"]["title"]).to eq "The harbour lamp"
  end

  it "takes an earlier revision back by its number" do
    world.ask(post, 0)
    world.act("Posts::OpenPost", :ines, post_id: post, adaptation_ids: world.post_state(post).adaptations.map(&:id))
    world.write(post, "text", "Other words.")
    expect(ines.call(:post, at("/take-revision-back"), { number: 1 }).first).to eq 200
    expect(db[:parts].where(post_id: post, part: "text").get(:value)).to start_with "When fog sits"
    expect(told(ines.call(:post, at("/take-revision-back"), { number: 99 })).first(2)).to eq [404, "not_found"]
    expect(told(ines.call(:post, at("/take-revision-back"), { number: 0 })).first).to eq 422
  end
end
