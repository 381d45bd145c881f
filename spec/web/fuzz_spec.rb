# frozen_string_literal: true

# Wrong types over every route of the description: each call in a transaction that is undone, so one world holds for
# all.
RSpec.describe "Calls that nobody should make" do
  let(:own) { world.workspace }

  def shots = Integer(ENV.fetch("SHOTS", "1200"))
  def seed = Integer(ENV.fetch("FUZZ_SEED", "1"))

  let(:ids) do
    post = world.draft
    world.ask(post, 0)
    cleared = world.draft
    world.clear(cleared)
    world.release(cleared)
    world.act("Channels::SaveSet", :ines, name: "Both", channel_ids: [world.channel(:vitrine), world.channel(:ticker)])
    world.act(
      "Traffic::AssignTask",
      :ines,
      post_id: post,
      kind: "copy",
      title: "Words",
      person_id: world.person(:maro),
      due: {
        "wall" => "2026-10-20T12:00",
        "zone" => "Europe/Lisbon"
      }
    )
    world.act("Signoff::Hold", :ines, reason: "Waits", channel_id: world.channel(:vitrine))
    world.act("Posts::PreviewLink", :ines, address: "http://quillmere.example/")
    all = ->(table) { db[table].where(workspace_id: own).limit(4).select_map(:id) }
    {
      "post" => [post, cleared],
      "ask" => all.call(:asks),
      "line" => all.call(:ask_lines),
      "media" => all.call(:media),
      "channel" => all.call(:channels),
      "set" => all.call(:channel_sets),
      "task" => all.call(:tasks),
      "showing" => all.call(:showings),
      "rendition" => all.call(:renditions),
      "hold" => all.call(:holds),
      "connection" => all.call(:connections),
      "step" => all.call(:route_steps),
      "adaptation" => all.call(:adaptations),
      "membership" => all.call(:memberships),
      "reading" => all.call(:link_readings),
      "role" => db[:roles].limit(4).select_map(:id),
      "person" => [world.person(:ines), world.person(:maro)],
      "client" => [own],
      "workspace" => [own]
    }
  end

  # Somebody of the client with a pass for one ask.
  def guest
    post = world.draft
    world.ask(post, 0)
    world.answer(post, :wren)
    world.ask(post, 1)
    pass =
      world.act(
        "Signoff::CreatePass",
        AskFirst::App::Member.process(own, "dispatcher"),
        ask_id: world.line(post)[:ask_id],
        person_id: world.person(:odile)
      )
    ApiWorld.client.tap do |client|
      expect(client.call(:post, "/api/review/exchange", { pass: pass }).first).to be_between(200, 204)
    end
  end

  def fire(client, shot)
    body = shot.body.is_a?(String) || shot.body.nil? ? shot.body : JSON.generate(shot.body)
    headers = { "HTTP_IF_MATCH" => '"1"', "HTTP_ACCEPT" => "application/json" }
    headers["CONTENT_TYPE"] = "application/json" unless shot.body.nil?
    env = headers.merge(shot.headers, input: body).compact
    client.custom_request(shot.verb.upcase, shot.path, {}, env)
    client.last_response
  rescue URI::InvalidURIError
    nil # no browser and no server makes such an address
  rescue StandardError => e # as a server would
    Rack::MockResponse.new(
      500,
      {},
      ["#{e.class}: #{e.message[0, 300]} #{e.backtrace.grep(%r{#{Dir.pwd}/(?!var)}).first(3)}"]
    )
  end

  # What is wrong with an answer, nil when nothing is.
  def wrong(reply)
    return "#{reply.status} #{reply.body[0, 500]}" if reply.status >= 500
    unless reply.headers["x-content-type-options"] == "nosniff" && reply.headers["content-security-policy"]
      return "without the safe headers"
    end

    JSON.parse(reply.body) if reply.headers["content-type"].to_s.include?("json")
    problem =
      reply.status >= 400 && reply.status != 404 && !JSON.parse(reply.body)["code"].is_a?(String) &&
        !JSON.parse(reply.body)["second_factor"]
    problem ? "#{reply.status} without a code: #{reply.body[0, 200]}" : nil
  rescue JSON::ParserError
    "#{reply.status} with a body that is no JSON: #{reply.body[0, 200]}"
  end

  it "are answered with what is wrong, never with a 500: signed in as the owner, as a lead, as a guest and as nobody" do
    clients = { owner: ApiWorld.client("bram"), lead: ApiWorld.client("ines"), nobody: ApiWorld.client, guest: guest }
    broken = []
    allow(SemanticLogger["Web"].class).to(
      receive(:new).and_wrap_original do |real, *names|
        real.call(*names).tap { |logger| allow(logger).to receive(:error) { |_, error| broken << error } }
      end
    )
    random = Random.new(seed)
    fuzz = Fuzz.new(seed, own, ids)
    found =
      (0...shots).filter_map do |number|
        shot = fuzz.shot(number)
        who =
          (shot.template.start_with?("/api/review") ? %i[guest guest nobody] : %i[nobody owner owner lead lead]).sample(
            random: random
          )
        said = nil
        ApiWorld
          .environment
          .db
          .transaction(rollback: :always, auto_savepoint: true) do
            reply = fire(clients[who], shot)
            said = reply && wrong(reply)
          end
        if shot.path.include?("/sessions") || shot.path.include?("/api/auth") || shot.path.include?("look-as")
          clients.merge!(owner: ApiWorld.client("bram"), lead: ApiWorld.client("ines"))
        end
        error = broken.pop
        said =
          "#{said} #{error.class}: #{error.message[0, 300]} " \
            "#{error.backtrace.grep(%r{#{Dir.pwd}/(?!var)}).first(3)}" if error
        said &&
          "#{number} #{who} #{shot} #{shot.body.inspect[0, 300]} #{shot.headers if shot.headers.any?}\n    → #{said}"
      end
    expect(found.join("\n")).to eq ""
  end
end
