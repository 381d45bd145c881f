# frozen_string_literal: true

RSpec.describe "Looking as a member" do
  let(:bram) { ApiWorld.client(:bram) }
  let(:w) { world.workspace }

  def membership(who) = db[:memberships].where(workspace_id: w, person_id: world.person(who), ended_at: nil).get(:id)
  def look(who, as: bram) = as.call(:post, "/api/w/#{w}/look-as", { membership_id: membership(who) })

  it "an owner sees one client as that member sees it, and everything says who looks" do
    expect(look(:sunniva)).to eq [200, { "name" => "Sunniva Achterberg", "side" => "agency" }]
    _, me = bram.call(:get, "/api/me")
    expect(me["looking_as"]).to include("name" => "Sunniva Achterberg", "role" => "designer", "workspace_id" => w)
    expect(me["workspaces"].map { |one| one["id"] }).to eq [w]
    expect(me["workspaces"].first["can"]["make_post"]).to match(
      "ok" => false,
      "why" => a_string_including("only looking as Sunniva")
    )
    expect(bram.call(:get, "/api/w/#{world.workspace(:brackwater)}/settings").first).to eq 404
    expect(db[:record].where(workspace_id: w, act: "looked_as").order(:order_no).last[:person_id]).to eq world.person(
         :bram
       )
  end

  it "changes nothing, by any route" do
    post = world.draft
    look(:ines)
    calls = Routes.of(w, { "post" => post }).reject { |call| call.verb == "get" || call.bytes }
    expect(calls.size).to be > 45
    calls.each do |call|
      status, body = bram.call(call.verb, call.path, call.body, { "HTTP_IF_MATCH" => '"0"' })
      expect([call.to_s, status, body["code"]]).to eq [call.to_s, 403, "looking"]
    end
    expect(
      bram.call(
        :put,
        "/api/agency/policies",
        { second_factor_required: false, session_hours: 1, mail_domains: [], leads_change_route: true },
        { "HTTP_IF_MATCH" => '"1"' }
      ).last[
        "code"
      ]
    ).to eq "looking"
  end

  it "ends when they stop, and when the member leaves" do
    look(:dulcie)
    expect(bram.call(:delete, "/api/look-as").first).to eq 204
    expect(bram.call(:get, "/api/me").last).to include("looking_as" => nil, "owner" => true)
    look(:dulcie)
    world.owner[:memberships].where(id: membership(:dulcie)).update(access_until: world.environment.now)
    expect(bram.call(:get, "/api/me").last["looking_as"]).to be_nil
  ensure
    world.owner[:memberships].where(workspace_id: w, person_id: world.person(:dulcie)).update(access_until: nil)
  end

  it "of somebody who has left since is told once, and whoever looked is themselves again, whichever page asks first" do
    look(:dulcie)
    world.owner[:memberships].where(id: membership(:dulcie)).update(access_until: world.environment.now)
    expect(bram.call(:get, "/api/w/#{w}/settings").first).to eq 404
    expect(bram.call(:get, "/api/w/#{w}/settings").first).to eq 200
  ensure
    world.owner[:memberships].where(workspace_id: w, person_id: world.person(:dulcie)).update(access_until: nil)
  end

  it "is an owner's: a lead is refused and told who can" do
    expect(look(:sunniva, as: ApiWorld.client(:ines))).to match [403, a_hash_including("way_on" => "Bram Teodoro can.")]
  end

  describe "of the client's side" do
    let(:post) { world.draft.tap { |id| world.ask(id, 0) && world.answer(id, :wren) && world.ask(id, 1) } }
    let(:ask) { world.line(post)[:ask_id] }

    before { world.clock.set(SpecWorld::NOON + 3_600) } # newer than what other examples asked

    it "shows their asks as their links do, pictures too, and nothing else" do
      post
      look(:odile)
      listed = bram.call(:get, "/api/look-as/asks").last["asks"]
      expect(listed.find { |one| one["id"] == ask }).to include(
        "asked_by" => "Ines Calloway",
        "posts" => 1,
        "withdrawn" => false
      )
      _, review = bram.call(:get, "/api/look-as/asks/#{ask}")
      pass =
        world.act(
          "Signoff::CreatePass",
          AskFirst::App::Member.process(w, "dispatcher"),
          ask_id: ask,
          person_id: world.person(:odile)
        )
      guest = ApiWorld.client
      guest.call(:post, "/api/review/exchange", { pass: pass })
      expect(review).to eq guest.call(:get, "/api/review/ask").last
      picture = review["lines"].first["variants"].flat_map { |variant| variant["pictures"] }.first["id"]
      bram.get("/api/look-as/asks/#{ask}/files/#{picture}")
      expect([bram.last_response.status, bram.last_response.headers["content-type"]]).to eq [200, "image/jpeg"]
      expect(bram.call(:get, "/api/posts").last["posts"]).to be_empty
      expect(bram.call(:get, "/api/w/#{w}/posts/#{post}").first).to eq 404
    end

    it "an ask that they were not asked is not there, and nobody else gets in by this door" do
      post
      world.owner[:people].where(id: world.person(:odile)).get(:id)
      inside = world.draft.tap { |id| world.ask(id, 0) }
      look(:odile)
      expect(bram.call(:get, "/api/look-as/asks/#{world.line(inside)[:ask_id]}").first).to eq 404
      expect(ApiWorld.client(:ines).call(:get, "/api/look-as/asks/#{ask}").first).to eq 404
      expect(ApiWorld.client.call(:get, "/api/look-as/asks").first).to eq 401
    end
  end
end

RSpec.describe "The agency's routes" do
  let(:calls) do
    Routes.described["paths"]
      .select { |template, _| template.start_with?("/api/agency/") }
      .flat_map do |template, item|
        (item.keys & %w[get put post delete]).map { |method| Routes.call(method, template, item, item[method], {}) }
      end
  end

  it "are an owner's: a lead is refused at each, whoever is signed out learns nothing" do
    ines = ApiWorld.client(:ines)
    nobody = ApiWorld.client
    expect(calls.size).to be >= 9
    calls.each do |call|
      expect([call.to_s, ines.call(call.verb, call.path, call.body, { "HTTP_IF_MATCH" => '"0"' }).first]).to eq [
           call.to_s,
           403
         ]
      expect([call.to_s, nobody.call(call.verb, call.path, call.body, { "HTTP_IF_MATCH" => '"0"' }).first]).to eq [
           call.to_s,
           401
         ]
    end
  end

  it "hand out the record as CSV that a spreadsheet does not run, and as JSON" do
    world.act("Posts::CreatePost", :ines, subject: "=HYPERLINK(\"https://evil.example\")")
    bram = ApiWorld.client(:bram)
    bram.get("/api/agency/record-file?as=csv&workspace=#{world.workspace}")
    expect(bram.last_response.headers).to include(
      "content-type" => a_string_including("text/csv"),
      "content-disposition" => 'attachment; filename="record.csv"'
    )
    rows = CSV.parse(bram.last_response.body.dup.force_encoding("UTF-8").delete_prefix("\uFEFF"), headers: true)
    expect(rows.headers).to eq %w[at client who act subject facts]
    expect(rows.map { |row| row["client"] }.uniq).to eq ["Quillmere Ferries"]
    expect(rows.map { |row| row["subject"] }).to include "'=HYPERLINK(\"https://evil.example\")"
    bram.get("/api/agency/record-file?as=json&workspace=#{world.workspace}")
    expect(JSON.parse(bram.last_response.body).first).to include("act", "who", "client" => "Quillmere Ferries")
    bram.get("/api/agency/record-file?as=exe")
    expect(bram.last_response.status).to eq 422
  end
end
