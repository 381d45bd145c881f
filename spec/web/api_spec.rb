# frozen_string_literal: true

RSpec.describe "The API" do
  let(:ines) { ApiWorld.client(:ines) }
  let(:nobody) { ApiWorld.client }
  let(:w) { world.workspace }

  def path(post, rest = "") = "/api/w/#{w}/posts/#{post}#{rest}"

  describe "signing in" do
    it "answers a wrong address and a wrong password alike" do
      answers =
        [%w[ines wrong], %w[nobody wrong]].map do |who, password|
          client = ApiWorld.client.sign_in(who, password)
          [client.last_response.status, client.last_response.body]
        end
      expect(answers.uniq.size).to eq 1
      expect(answers.first.first).to eq 401
    end

    it "keeps the session in a signed HttpOnly SameSite cookie and on a list that signing out ends" do
      expect(ines.last_response.headers["set-cookie"].to_s).to match(/af_session=.*httponly/i).and match(
              /samesite=lax/i
            )
      cookie = ines.rack_mock_session.cookie_jar.to_hash["af_session"]
      expect(ines.call(:get, "/api/me").last["name"]).to eq "Ines Calloway"
      ines.call(:post, "/api/auth/logout", {})
      thief = ApiWorld.client
      thief.set_cookie("af_session=#{Rack::Utils.escape(cookie)}")
      expect(thief.call(:get, "/api/me").first).to eq 401
    end

    it "refuses what another site sends" do
      status, body = ines.call(:post, "/api/w/#{w}/posts", { subject: "x" }, "HTTP_SEC_FETCH_SITE" => "cross-site")
      expect([status, body["code"]]).to eq [403, "cross_site"]
      expect(
        ines.call(:post, "/api/w/#{w}/posts", { subject: "x" }, "HTTP_ORIGIN" => "https://evil.example").first
      ).to eq 403
    end
  end

  it "carries a strict policy on every page, and none of it is cached" do
    nobody.get("/api/me")
    headers = nobody.last_response.headers
    expect(headers["content-security-policy"]).to include "default-src 'none'",
            "script-src 'self'",
            "frame-ancestors 'none'"
    expect(headers["referrer-policy"]).to eq "no-referrer"
    expect(headers["cache-control"]).to eq "no-store"
    nobody.get("/review/")
    expect(nobody.last_response.headers["content-security-policy"]).not_to include "unsafe"
  end

  describe "the path, by API" do
    it "writes with versions, asks, answers, releases, and reads as the description says" do
      _, made = ines.call(:post, "/api/w/#{w}/posts", { subject: "Fog" })
      post = made["id"]
      expect(ines.call(:put, path(post, "/channels"), { channel_ids: [world.channel(:ticker)] }).first).to eq 204
      expect(ines.call(:put, path(post, "/parts/text"), { value: "Fog." }, "HTTP_IF_MATCH" => '"0"')).to eq [
           200,
           { "version" => 1 }
         ]
      expect(ines.call(:put, path(post, "/parts/text"), { value: "Mist." }, "HTTP_IF_MATCH" => '"0"').first).to eq 409
      expect(ines.call(:put, path(post, "/parts/text"), { value: "Mist." }).first).to eq 428
      ines.call(
        :put,
        path(post, "/parts/time"),
        { value: { wall: "2026-10-15T07:30", zone: "Europe/Lisbon" } },
        "HTTP_IF_MATCH" => '"0"'
      )
      status, sheet = ines.call(:get, path(post))
      expect([status, sheet["adaptations"].first["proof"]["count"], sheet["stage"]]).to eq [200, 4, "drafting"]
      expect(ines.call(:post, "/api/w/#{w}/asks", { step_id: world.step(0), post_ids: [post] }).first).to eq 201
      wren = ApiWorld.client(:wren)
      mine = wren.call(:get, path(post)).last["my_ask"]
      expect(
        wren.call(
          :post,
          "/api/w/#{w}/lines/#{mine["line_id"]}/answer",
          { verdict: "yes", shown: mine["shown"], seen: mine["seen"] }
        )
      ).to eq [200, { "stage" => "client_approval", "verdict" => "yes", "left_out" => [] }]
      expect(ines.call(:get, path(post, "/record")).last["rows"].map { |row| row["act"] }).to end_with "answered"
      %w[/api/desk /api/posts /api/dispatch].each { |list| expect(ines.call(:get, list).first).to eq 200 }
    end

    it "says before saving what another time costs" do
      post = world.draft
      world.clear(post)
      _, cost =
        ines.call(
          :post,
          path(post, "/move-cost"),
          { channels: nil, time: { wall: "2026-10-16T07:30", zone: "Europe/Lisbon" } }
        )
      expect(cost["costs"].first["costs"].first).to include "must be asked again"
      _, gap =
        ines.call(
          :post,
          path(post, "/move-cost"),
          { channels: nil, time: { wall: "2027-03-28T01:30", zone: "Europe/Lisbon" } }
        )
      expect(gap["kind"]).to eq "gap"
    end
  end

  describe "walls" do
    it "a picture is served to members only, and by its id" do
      picture = world.act("Media::UploadMedia", :sunniva, io: SpecWorld.picture, name: "boat.jpg")
      ines.get("/api/w/#{w}/media/#{picture[:id]}/preview")
      expect([ines.last_response.status, ines.last_response.headers["content-type"]]).to eq [200, "image/jpeg"]
      nobody.get("/api/w/#{w}/media/#{picture[:id]}/preview")
      expect(nobody.last_response.status).to eq 401
    end
  end

  describe "a guest's review" do
    let(:post) { world.draft.tap { |id| world.ask(id, 0) && world.answer(id, :wren) && world.ask(id, 1) } }
    let(:pass) do
      world.act(
        "Signoff::CreatePass",
        AskFirst::App::Member.process(w, "dispatcher"),
        ask_id: world.line(post)[:ask_id],
        person_id: world.person(:odile)
      )
    end

    it "exchanges the pass for a cookie of its own, reads, says something, answers" do
      expect(nobody.call(:post, "/api/review/exchange", { pass: pass }).first).to eq 200
      expect(nobody.last_response.headers["set-cookie"].to_s).to match(%r{af_visit=.*path=/api/review}i).and match(
              /httponly/i
            )
      _, review = nobody.call(:get, "/api/review/ask")
      line = review["lines"].first
      nobody.get("/api/review/files/#{line["variants"].first["pictures"].first["id"]}")
      expect(nobody.last_response.headers["content-type"]).to eq "image/jpeg"
      expect(nobody.call(:post, "/api/review/lines/#{line["id"]}/remark", { words: "Lovely" }).first).to eq 201
      expect(
        nobody.call(
          :post,
          "/api/review/lines/#{line["id"]}/answer",
          { verdict: "yes", shown: line["shown"], seen: 0 }
        ).last[
          "stage"
        ]
      ).to eq "cleared"
      expect(nobody.call(:get, "/api/me").first).to eq 401
    end

    it "the bare address changes nothing, however often a mail scanner opens it" do
      before = db[:guest_visits].count
      5.times { nobody.get("/review/") }
      expect([db[:guest_visits].count, nobody.last_response.body.include?("Quillmere")]).to eq [before, false]
    end

    it "an invented pass gets a plain sentence" do
      status, problem = nobody.call(:post, "/api/review/exchange", { pass: "A" * 43 })
      expect([status, problem["code"], problem["detail"]]).to eq [
           410,
           "pass_unknown",
           "This link is not whole, or it was never one of ours."
         ]
    end
  end

  describe "bad input" do
    let(:post) { world.draft(picture: false) }

    def put_text(value, version: 1)
      ines.call(:put, path(post, "/parts/text"), { value: value }, "HTTP_IF_MATCH" => "\"#{version}\"")
    end

    def raw(body)
      ines.custom_request(
        "PUT",
        path(post, "/parts/text"),
        {},
        { "CONTENT_TYPE" => "application/json", "HTTP_IF_MATCH" => '"1"', :input => body }
      )
      [ines.last_response.status, JSON.parse(ines.last_response.body)["code"]]
    end

    it "has one defined answer for each, at the field" do
      expect(put_text("a" * 200_000)).to match [422, a_hash_including("code" => "too_long", "field" => "text")]
      expect(put_text("a\u0007b")).to match [422, a_hash_including("code" => "bad_characters", "field" => "text")]
      expect(raw('{"value":"half \ud83d pair"}')).to eq [422, "bad_characters"]
      expect(raw("{\"value\":\"\xFF\"}")).to eq [400, "bad_encoding"]
      expect(raw('{"value":')).to eq([400, "bad_json"]).or eq([422, "bad_input"])
      expect(raw("{\"value\":\"#{"a" * 3_000_000}\"}")).to eq [413, "too_large"]
      expect(raw('{"value":"x","more":1}')).to eq [422, "bad_input"]
      expect(
        ines.call(:put, path(post, "/parts/smell"), { value: "x" }, "HTTP_IF_MATCH" => '"0"').last["code"]
      ).to eq "part_unknown"
      expect(
        ines.call(
          :put,
          path(post, "/parts/time"),
          { value: { wall: "2026-02-31T10:00", zone: "Europe/Lisbon" } },
          "HTTP_IF_MATCH" => '"1"'
        ).last
      ).to include("code" => "bad_time", "field" => "time")
      expect(
        ines.call(
          :put,
          path(post, "/parts/time"),
          { value: { wall: "2026-10-31T10:00", zone: "Mars/Base" } },
          "HTTP_IF_MATCH" => '"1"'
        ).last
      ).to include("code" => "bad_zone")
      expect(ines.call(:get, "/api/posts?stage=asleep").first).to eq 422
      expect(ines.call(:get, "/api/nothing").last["code"]).to eq "not_found"
      expect(world.post_state(post).master["text"]).to start_with "When fog"
    end

    it "a picture that is an HTML file is refused with its true type" do
      ines.custom_request(
        "POST",
        "/api/w/#{w}/media?name=boat.jpg",
        {},
        { "CONTENT_TYPE" => "application/octet-stream", :input => "<!doctype html><html></html>" }
      )
      # the account lead may add pictures
      expect([ines.last_response.status, JSON.parse(ines.last_response.body)["code"]]).to eq [422, "not_a_picture"]
    end
  end

  describe "an idempotency key" do
    it "gives the first answer again, and makes nothing twice" do
      key = { "HTTP_IDEMPOTENCY_KEY" => SecureRandom.uuid }
      before = db[:posts].count
      answers = Array.new(3) { ines.call(:post, "/api/w/#{w}/posts", { subject: "Once" }, key) }
      expect(answers.uniq.size).to eq 1
      expect(db[:posts].count).to eq before + 1
      expect(ines.call(:post, "/api/w/#{w}/posts", { subject: "Other" }, key).last["code"]).to eq "key_used"
    end

    it "does not hand one person's answer to another" do
      key = { "HTTP_IDEMPOTENCY_KEY" => SecureRandom.uuid }
      first = ines.call(:post, "/api/w/#{w}/posts", { subject: "Mine" }, key)
      expect(ApiWorld.client(:wren).call(:post, "/api/w/#{w}/posts", { subject: "Mine" }, key)).not_to eq first
    end
  end
end
