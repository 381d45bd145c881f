# frozen_string_literal: true

# Every route of a workspace, called by every kind of stranger. The routes come from the API description itself.
RSpec.describe "Strangers" do
  let(:theirs) { world.workspace(:brackwater) }
  let(:own) { world.workspace }
  let(:nowhere) { AskFirst::Core::Uuid.v7(Time.now) }
  let(:tobiah) { ApiWorld.client(:tobiah) }

  # One of everything at Brackwater, so that each address names something that is there.
  let(:ids) do
    client = :brackwater
    post = world.draft(client: client)
    world.ask(post, 0, client: client)
    line = world.line(post)
    cleared = world.draft(client: client, channels: [:ticker])
    world.clear(cleared, client: client, approver: :halima)
    world.release(cleared, client: client)
    file =
      world.act(
        "Clients::AddBrandFile",
        :ines,
        client,
        io: StringIO.new("secret guidelines"),
        name: "Brackwater rules.txt"
      )
    set =
      world.act(
        "Channels::SaveSet",
        :ines,
        client,
        name: "Brackwater #{SecureRandom.hex(2)}",
        channel_ids: [world.channel(:ticker, client)]
      )
    world.act(
      "People::Invite",
      :ines,
      client,
      addresses: "b#{SecureRandom.hex(3)}@brackwater.example",
      role_id: db[:roles].where(name: "client observer").get(:id)
    )
    task =
      world.act(
        "Traffic::AssignTask",
        :ines,
        client,
        post_id: post,
        kind: "copy",
        title: "Brackwater words",
        person_id: world.person(:maro),
        due: {
          "wall" => "2026-10-20T12:00",
          "zone" => "America/Denver"
        }
      )
    idea = world.act("Ideas::SaveIdea", :ines, client, fields: { "title" => "Brackwater thought" })[:id]
    partner = world.act("Partners::SavePartner", :ines, client, fields: { "name" => "Brackwater baker" })[:id]
    group = world.act("Ideas::SaveGroup", :ines, client, name: "Brackwater #{SecureRandom.hex(2)}")
    here = ->(table, **more) { db[table].where({ workspace_id: theirs }.merge(more)).reverse(:id).get(:id) }
    {
      "post" => post,
      "ask" => line[:ask_id],
      "line" => line[:id],
      "media" => here.call(:media),
      "channel" => world.channel(:ticker, client),
      "showing" => here.call(:showings),
      "membership" => here.call(:memberships, person_id: world.person(:ines)),
      "invitation" => here.call(:invitations),
      "connection" => here.call(:connections),
      "file" => file,
      "set" => set,
      "task" => task,
      "idea" => idea,
      "group" => group,
      "partner" => partner,
      "rendition" => here.call(:renditions),
      "hold" => nowhere,
      "pass" => nowhere,
      "try" => nowhere
    }
  end

  def make(client, call) = Routes.make(client, call, version: 0)

  # @return [Array] the answer as the stranger gets it, and how many statements it took; what is prepared, is so once
  # for a connection Policies are kept for a while; here they are, so that what is counted is the route's own.
  before { stub_const("AskFirst::Web::SessionPolicy::KEPT", 3_600) }

  def heard(client, call)
    log = StringIO.new
    logger = Logger.new(log)
    world.environment.db.loggers << logger
    status, body = make(client, call)
    headers = client.last_response.headers.reject { |name, _| name.match?(/set-cookie|content-length|x-request-id/i) }
    [
      [status, body, headers],
      log.string.lines.count { |line| line.match?(/\(\d+\.\d+s\) (?:SELECT|WITH|EXECUTE|INSERT|UPDATE|DELETE)/) }
    ]
  ensure
    world.environment.db.loggers.delete(logger)
  end

  def subscribers(workspace_id)
    scope =
      AskFirst::Store::Scope.new(world.environment.db, workspace_ids: workspace_id, person_id: nil, side: "agency")
    scope.transaction { AskFirst::Store::People::Subscribers.of(scope, [], world.environment.now) }
  end

  def membership(client = :brackwater) =
    world.owner[:memberships].where(workspace_id: world.workspace(client), person_id: world.person(:tobiah))

  it "the description names a good many routes, so that the rest of this means something" do
    expect(Routes.of(own).size).to be > 70
    expect(Routes.of(own).map(&:to_s)).to include(
      "GET /api/w/{workspace}/posts/{post}",
      "POST /api/w/{workspace}/media",
      "GET /api/w/{workspace}/export",
      "PUT /api/w/{workspace}/settings"
    )
  end

  it "signed out, every route says so and nothing else" do
    nobody = ApiWorld.client
    Routes
      .of(theirs, ids)
      .each do |call|
        status, body = make(nobody, call)
        expect([call.to_s, status, body["code"]]).to eq [call.to_s, 401, "signed_out"]
        expect(nobody.last_response.headers["set-cookie"]).to be_nil
      end
    %w[
      /api/desk
      /api/posts
      /api/dispatch
      /api/me
      /api/waits
      /api/profile
      /api/agency/people
      /api/agency/record
      /api/look-as/asks
    ].each { |list| expect([list, nobody.call(:get, list).first]).to eq [list, 401] }
  end

  it "a member of another client gets for what is there the very answer for what is not, by as many statements" do
    membership.update(ended_at: Time.now)
    make(tobiah, Routes.of(nowhere).first) # that somebody was here is kept with the first call
    Routes
      .of(theirs, ids)
      .zip(Routes.of(nowhere, ids))
      .each do |there, not_there|
        real, statements = heard(tobiah, there)
        invented, invented_statements = heard(tobiah, not_there)
        expect([there.to_s, real.first]).to eq [there.to_s, 404]
        expect([there.to_s, real]).to eq [there.to_s, invented]
        expect([there.to_s, statements]).to eq [there.to_s, invented_statements]
      end
  ensure
    membership.update(ended_at: nil)
  end

  it "through their own client, another's ids are ids of nothing" do
    membership.update(ended_at: Time.now)
    named =
      Routes
        .of(own, ids)
        .select { |call| call.template.count("{") > 1 && !call.template.match?(%r{/(?:parts|brand)/\{part\}\z}) }
    invented =
      Routes
        .of(own)
        .select { |call| call.template.count("{") > 1 && !call.template.match?(%r{/(?:parts|brand)/\{part\}\z}) }
    expect(named.size).to be > 40
    make(tobiah, named.first) # that somebody was here is kept with the first call
    named
      .zip(invented)
      .each do |there, not_there|
        real, statements = heard(tobiah, there)
        other, other_statements = heard(tobiah, not_there)
        expect([there.to_s, real.first]).to eq([there.to_s, 404]).or eq([there.to_s, 403]).or eq([there.to_s, 422])
        expect([there.to_s, real, statements]).to eq [there.to_s, other, other_statements]
        expect(JSON.generate(real)).not_to match(/brackwater/i)
      end
  ensure
    membership.update(ended_at: nil)
  end

  it "lists, the Desk, the switcher and search hold nothing of a client that they are no member of" do
    ids
    membership.update(ended_at: Time.now)
    %w[/api/desk /api/posts /api/posts?words=fog /api/dispatch /api/me /api/waits /api/profile].each do |list|
      expect([list, JSON.generate(tobiah.call(:get, list))]).not_to include a_string_matching(/#{theirs}|brackwater/i)
    end
    expect(tobiah.call(:get, "/api/posts?workspace=#{theirs}").first).to eq 404
    expect(tobiah.call(:get, "/api/desk?workspace=#{theirs}").first).to eq 404
  ensure
    membership.update(ended_at: nil)
  end

  it "an end date ends access by itself, with no act of anybody" do
    membership.update(access_until: world.environment.now + 60)
    expect(tobiah.call(:get, "/api/w/#{theirs}/settings").first).to eq 200
    world.clock.set(SpecWorld::NOON + 61)
    expect(tobiah.call(:get, "/api/w/#{theirs}/settings").first).to eq 404
    expect(JSON.generate(tobiah.call(:get, "/api/me"))).not_to include theirs
  ensure
    membership.update(access_until: nil)
  end

  it "somebody of the client's side reaches no draft, no house talk, no settings, people, files or record" do
    ids
    login = "both#{SecureRandom.hex(3)}"
    person =
      AskFirst::App::People::AddPerson.call(
        world.environment,
        agency_id: db[:agencies].get(:id),
        name: "Both Sides",
        email: "#{login}@fernhollow.example",
        zone: "Europe/Lisbon",
        password: Demo::World::PASSWORD,
        cost: SpecWorld::CHEAP
      )
    { theirs => ["client", "client approver"], own => ["agency", "account lead"] }.each do |workspace, (side, role)|
      world.owner[:memberships].insert(
        workspace_id: workspace,
        id: AskFirst::Core::Uuid.v7(Time.now),
        person_id: person,
        side: side,
        role_id: db[:roles].where(name: role).get(:id),
        since: world.environment.now
      )
    end
    both = ApiWorld.client(login)
    Routes
      .of(theirs, ids)
      .each do |call|
        status, body = make(both, call)
        # the pages that are theirs: what they were asked for, by its subject, and what they have given
        own = call.template.match?(%r{/(?:client-plan|given-ideas)\z})
        expect([call.to_s, status]).to eq([call.to_s, 403]).or eq([call.to_s, 404]) unless own
        body = body["posts"].map { |post| post.except("subject") } if own && body["posts"]
        expect(JSON.generate(body)).not_to match(/Fog days|When fog|secret guidelines|Brackwater rules|#{ids["media"]}/)
      end
    # another client's lead who is an observer here sees nothing of it in their lists either
    expect(JSON.generate(both.call(:get, "/api/posts"))).not_to include theirs
    expect(JSON.generate(both.call(:get, "/api/desk"))).not_to include theirs
  end

  describe "a guest pass" do
    let(:post) { world.draft.tap { |id| world.ask(id, 0) && world.answer(id, :wren) && world.ask(id, 1) } }
    let(:pass) do
      world.act(
        "Signoff::CreatePass",
        AskFirst::App::Member.process(own, "dispatcher"),
        ask_id: world.line(post)[:ask_id],
        person_id: world.person(:odile)
      )
    end
    let(:guest) { ApiWorld.client.tap { |client| client.call(:post, "/api/review/exchange", { pass: pass }) } }
    let(:row) { world.owner[:guest_passes].where(ask_id: world.line(post)[:ask_id], person_id: world.person(:odile)) }

    it "opens its own ask and none of the workspace's routes" do
      expect(guest.call(:get, "/api/review/ask").first).to eq 200
      Routes
        .of(own, { "post" => post, "line" => world.line(post)[:id] })
        .each { |call| expect([call.to_s, make(guest, call).first]).to eq [call.to_s, 401] }
    end

    it "answers nothing about another ask's posts and pictures" do
      other = world.draft.tap { |id| world.ask(id, 0) && world.answer(id, :wren) && world.ask(id, 1) }
      line = world.line(other)[:id]
      picture =
        db[:renditions].where(workspace_id: own, media_id: world.post_state(other).master["media"].first).get(:id)
      calls = [
        [:post, "/api/review/lines/%s/answer", { verdict: "yes", shown: {}, seen: 0 }, line],
        [:post, "/api/review/lines/%s/remark", { words: "x" }, line],
        [:get, "/api/review/files/%s", nil, picture]
      ]
      calls.each do |method, template, body, id|
        real = guest.call(method, format(template, id), body)
        expect([template, real.first]).to eq [template, 404]
        expect(real).to eq guest.call(method, format(template, AskFirst::Core::Uuid.v7(Time.now)), body)
      end
    end

    it "shows no house talk, no subject line, no other person's mail address, in body or headers" do
      world.act("Talk::Say", :ines, post_id: post, room: "house", words: "Between us: they are late again")
      guest.call(:get, "/api/review/ask")
      heard = guest.last_response.body + guest.last_response.headers.to_s
      expect(heard).not_to match(/Between us|Fog days|@fernhollow|@quillmere/)
    end

    it "expired and revoked say which to whoever holds it, and an invented one learns nothing" do
      visits = {
        expired: -> { world.clock.set(row.get(:expires_at) + 1) },
        revoked: -> { world.clock.set(SpecWorld::NOON) && row.update(revoked_at: world.environment.now) }
      }
      guest
      answers =
        visits.values.map do |spoil|
          spoil.call
          [
            guest.call(:get, "/api/review/ask"),
            guest.call(
              :post,
              "/api/review/lines/#{world.line(post)[:id]}/answer",
              { verdict: "yes", shown: world.shown(post), seen: 0 }
            ),
            ApiWorld.client.call(:post, "/api/review/exchange", { pass: pass })
          ]
        end
      invented = ApiWorld.client
      answers << [
        invented.call(:get, "/api/review/ask"),
        invented.call(
          :post,
          "/api/review/lines/#{world.line(post)[:id]}/answer",
          { verdict: "yes", shown: world.shown(post), seen: 0 }
        ),
        invented.call(:post, "/api/review/exchange", { pass: "A" * 43 })
      ]
      expect(answers.flatten(1).map(&:first).uniq).to eq [410]
      expect(answers.map { |all| all.map { |_, problem| problem["code"] }.uniq }).to eq [
           %w[pass_expired],
           %w[pass_revoked],
           %w[pass_unknown]
         ]
      expect(JSON.generate(answers)).not_to match(/Quillmere|Fog days|Odile|Ines/)
      expect(db[:answers].where(line_id: world.line(post)[:id])).to be_empty
    end
  end

  it "live updates of a client reach its members' pages only" do
    membership.update(ended_at: Time.now)
    poll =
      lambda do |client|
        client.post(
          "/message-bus/#{SecureRandom.hex(8)}/poll?dlp=t",
          { "/workspaces/#{theirs}" => 0, "/workspaces/#{own}" => 0 }
        )
        JSON.parse(client.last_response.body).map { |one| one["channel"] } - ["/__status"]
      end
    [theirs, own].each do |id|
      AskFirst::App::Live.announce(ApiWorld.environment, id, { what: "post", ids: [] }, subscribers(id))
    end
    expect(poll.call(tobiah).uniq).to eq ["/workspaces/#{own}"]
    expect(poll.call(ApiWorld.client(:ines)).uniq).to match_array ["/workspaces/#{own}", "/workspaces/#{theirs}"]
    expect(poll.call(ApiWorld.client)).to be_empty
    tobiah.call(:post, "/api/auth/logout", {})
    expect(poll.call(tobiah)).to be_empty
  ensure
    membership.update(ended_at: nil)
  end

  it "files have no address but the routes that check: not by their key, not by a way around" do
    key = db[:media].where(workspace_id: theirs).get(:file)
    ines = ApiWorld.client(:ines)
    [
      "/files/#{key}",
      "/#{key}",
      "/assets/../var/files/#{key}",
      "/api/w/#{own}/media/..%2f..%2f#{theirs}/preview",
      "/api/w/#{own}/brand-files/..%2f..%2fetc%2fpasswd"
    ].each do |address|
      ines.get(address)
      expect([address, ines.last_response.headers["content-type"].to_s]).not_to include a_string_matching(/image|octet/)
    end
  end
end
