# frozen_string_literal: true

# The plan in other calendars: a private address that needs no sign-in, shows what its maker sees, and can be revoked.
RSpec.describe "Calendar addresses" do
  let(:world) { ApiWorld.world }
  let(:ines) { ApiWorld.client(:ines) }
  let(:stranger) { ApiWorld.client }

  def make(who = ines, **more)
    who.call(:post, "/api/plan/calendars", { name: "My plan", narrowing: {}, workspace: world.workspace, **more })
  end

  def path(made) = URI(made["address"]).path
  def read(made) = Rack::MockRequest.new(ApiWorld.app).get(path(made))

  it "gives the plan to whoever has it, without a sign-in, as text/calendar" do
    post = world.draft(picture: false, wall: "2026-10-20T18:20")
    status, made = make
    expect(status).to eq 201
    reply = read(made)
    expect([reply.status, reply["content-type"]]).to eq [200, "text/calendar;charset=utf-8"]
    expect(reply.body.gsub("\r\n ", "")).to include("UID:#{post}", "DTSTART:20261020T172000Z", "STATUS:TENTATIVE")
  end

  it "is listed without its secret, revoked by its maker alone, and then it is as one that was guessed" do
    _, made = make
    _, listed = ines.call(:get, "/api/plan/calendars")
    expect(listed["calendars"].map { |one| one["id"] }).to include made["id"]
    expect(JSON.generate(listed)).not_to include URI(made["address"]).path.split("/").last.delete_suffix(".ics")
    expect(ApiWorld.client(:bram).call(:delete, "/api/plan/calendars/#{made["id"]}").first).to eq 404
    expect(ines.call(:delete, "/api/plan/calendars/#{made["id"]}").first).to eq 204
    guessed = Rack::MockRequest.new(ApiWorld.app).get("/api/calendar/#{SecureRandom.urlsafe_base64(32)}.ics")
    expect([read(made).status, JSON.parse(read(made).body)]).to eq [guessed.status, JSON.parse(guessed.body)]
    expect(guessed.status).to eq 404
  end

  it "is refused to strangers, for another client, and without a name" do
    expect(make(stranger).first).to eq 401
    expect(make(workspace: SecureRandom.uuid).first).to eq 404
    status, problem = make(name: " ")
    expect([status, problem["code"], problem["field"]]).to eq [422, "name_missing", "name"]
  end

  it "of a plan link shows the client what was shared, in their words, until the link is revoked" do
    said = { name: "Odile", weeks: 4, days: 30, marks: false, money: false }
    _, made = ines.call(:post, "/api/w/#{world.workspace}/plan/links", said)
    secret = URI(made["address"]).fragment
    draft = world.draft(picture: false, wall: "2026-10-20T18:20", channels: [:ticker])
    asked = world.draft(picture: false, wall: "2026-10-21T07:30", channels: [:ticker], text: "Asked #{secret[0, 8]}")
    world.ask(asked, 0)
    world.answer(asked, :wren)
    world.ask(asked, 1)
    get = -> { Rack::MockRequest.new(ApiWorld.app).get("/api/shared-plan/#{secret}.ics") }
    text = get.call.body.gsub("\r\n ", "")
    expect(get.call["content-type"]).to eq "text/calendar;charset=utf-8"
    expect(text).to include("UID:#{asked}", "waits for your yes", "DTSTART:20261021T063000Z", "/review/plan##{secret}")
    expect(text).not_to include draft
    ines.call(:delete, "/api/w/#{world.workspace}/plan/links/#{made["id"]}")
    expect(get.call.status).to eq 404
  end
end
