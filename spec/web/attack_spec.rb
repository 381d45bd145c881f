# frozen_string_literal: true

# What was tried against a running instance, each as it was tried.
RSpec.describe "Attacks over the API" do
  let(:w) { world.workspace }
  let(:ines) { ApiWorld.client(:ines) }
  let(:nobody) { ApiWorld.client }

  # Another client that holds the same cookie.
  def twin(client)
    cookie = client.rack_mock_session.cookie_jar.to_hash.fetch("af_session")
    ApiWorld.client.tap { |other| other.set_cookie("af_session=#{Rack::Utils.escape(cookie)}") }
  end

  def make_post(client, subject, key) =
    client.call(:post, "/api/w/#{w}/posts", { subject: subject }, { "HTTP_IDEMPOTENCY_KEY" => key })

  describe "what may stand in a shared cache" do
    around do |example|
      Dir.mktmpdir do |dir|
        FileUtils.mkdir_p(File.join(dir, "app/assets"))
        File.write(File.join(dir, "app/index.html"), "<app>")
        File.write(File.join(dir, "app/assets/a.js"), "let a")
        @folder = dir
        example.run
      end
    end

    def over(url)
      settings = world.settings.dup.tap { |all| all.public_url = url }
      environment = ApiWorld.environment.dup.tap { |all| all.settings = settings }
      ApiClient.new(AskFirst::Web::Server.build(environment, interface: @folder))
    end

    it "sets no cookie, also for somebody who is signed in" do
      client = over(world.settings.public_url).sign_in("ines")
      client.get("/assets/a.js")
      expect(client.last_response.headers["cache-control"]).to include "public"
      expect(client.last_response.headers["set-cookie"]).to be_nil
    end

    it "behind TLS, browsers are told to come by TLS alone (RFC 6797); without, they are not" do
      seen =
        %w[https://ask.example http://ask.example].map do |url|
          over(url).tap { |client| client.get("/") }.last_response.headers["strict-transport-security"]
        end
      expect(seen).to match [/\Amax-age=\d{8,}/, nil]
    end
  end

  it "a read writes no cookie, so one that began before brings nothing back: looking as somebody stays begun, and " \
       "stopped" do
    bram = ApiWorld.client(:bram)
    late = twin(bram)
    membership = db[:memberships].where(workspace_id: w, person_id: world.person(:sunniva)).get(:id)
    expect(bram.call(:post, "/api/w/#{w}/look-as", { membership_id: membership }).first).to be_between(200, 204)
    late.call(:get, "/api/me")
    expect([late.last_response.status, late.last_response.headers["set-cookie"]]).to eq [200, nil]
    late.post("/message-bus/#{SecureRandom.hex(8)}/poll?dlp=t", {})
    expect(late.last_response.headers["set-cookie"]).to be_nil
    expect(bram.call(:get, "/api/me").last["looking_as"]).to include("name" => "Sunniva Achterberg")
    expect(bram.call(:delete, "/api/look-as").first).to be_between(200, 204)
    expect(bram.call(:get, "/api/me").last["looking_as"]).to be_nil
  end

  it "files of a client are in no cache that lasts: signed out, they are asked for again" do
    media = world.post_state(world.draft).master["media"].first
    ines.get("/api/w/#{w}/media/#{media}/preview")
    expect(ines.last_response.headers["cache-control"]).to eq "private, no-cache"
  end

  describe "an idempotency key" do
    it "is for one address with its query: two channels are two things to do" do
      post = world.draft
      key = SecureRandom.uuid
      saved =
        %i[ticker vitrine].map do |network|
          ines.call(
            :put,
            "/api/w/#{w}/posts/#{post}/parts/text?channel=#{world.channel(network)}",
            { value: "Own words" },
            { "HTTP_IF_MATCH" => '"0"', "HTTP_IDEMPOTENCY_KEY" => key }
          )
        end
      expect(saved.map(&:first)).to eq [200, 422]
      expect(saved.last.last["code"]).to eq "key_used"
    end

    it "is free again after something broke" do
      ines
      key = SecureRandom.uuid
      allow(AskFirst::App::Posts::CreatePost).to receive(:call).and_raise(Sequel::DatabaseDisconnectError, "gone")
      expect(make_post(ines, "Twice", key).first).to eq 500
      allow(AskFirst::App::Posts::CreatePost).to receive(:call).and_call_original
      expect(make_post(ines, "Twice", key).first).to eq 201
    end

    it "answers nobody with a cookie that was signed out" do
      key = SecureRandom.uuid
      expect(make_post(ines, "Mine alone", key).first).to eq 201
      late = twin(ines)
      expect(late.call(:get, "/api/me").first).to eq 200
      ines.call(:post, "/api/auth/logout", {})
      expect(make_post(late, "Mine alone", key).first).to eq 401
    end
  end

  it "a body that is too large is refused, however its type is written" do
    big = JSON.generate(subject: "x" * (2 * 1024 * 1024))
    ["application/json", "Application/JSON", "APPLICATION/JSON; charset=utf-8"].each do |type|
      ines.custom_request("POST", "/api/w/#{w}/posts", {}, "CONTENT_TYPE" => type, :input => big)
      expect([type, ines.last_response.status]).to eq [type, 413]
    end
  end

  it "a form is not taken where JSON is" do
    ["multipart/form-data; boundary=b", "application/x-www-form-urlencoded"].each do |type|
      ines.custom_request("POST", "/api/w/#{w}/posts", {}, "CONTENT_TYPE" => type, :input => "subject=x")
      expect([ines.last_response.status, JSON.parse(ines.last_response.body)["code"]]).to eq [415, "bad_type"]
    end
  end

  describe "names" do
    it "of nothing but spaces are none, and hold no line ends" do
      expect(
        ines.call(:post, "/api/w/#{w}/posts", { subject: " \t\u00A0\u2003 " }).last["id"].then do |id|
          db[:posts].where(id: id).get(:subject)
        end
      ).to eq ""
      made = ines.call(:post, "/api/w/#{w}/posts", { subject: "Fog\r\nBcc: all\u2028today" }).last["id"]
      expect(db[:posts].where(id: made).get(:subject)).not_to match(/[\r\n\u2028]/)
    end

    it "that turn the direction of writing round do not reach a download" do
      ines.custom_request(
        "POST",
        "/api/w/#{w}/brand-files?name=#{URI.encode_www_form_component("logo\u202Egpj.exe")}",
        {},
        "CONTENT_TYPE" => "application/octet-stream",
        :input => SpecWorld.picture.string
      )
      id = JSON.parse(ines.last_response.body).fetch("id")
      ines.get("/api/w/#{w}/brand-files/#{id}")
      expect(ines.last_response.headers["content-disposition"]).not_to match(/\u202E|%E2%80%AE/i)
      expect(ines.last_response.status).to eq 200
    end
  end

  it "a search for % alone finds what holds one, and breaks nothing" do
    world.act("Posts::Rename", :ines, post_id: world.draft, subject: "Down by 20 % now", version: 1)
    %w[% %25 _ \\ '].each do |words|
      expect([words, ines.call(:get, "/api/posts?words=#{URI.encode_www_form_component(words)}").first]).to eq [
           words,
           200
         ]
    end
    expect(ines.call(:get, "/api/posts?words=%25").last["posts"].map { |one| one["subject"] }).to eq [
         "Down by 20 % now"
       ]
  end

  it "live updates tell a real client from an invented one by nothing, and end with the membership" do
    fresh = fresh_client
    theirs = world.workspace(fresh)
    tobiah = ApiWorld.client(:tobiah)
    invented = AskFirst::Core::Uuid.v7(Time.now)
    poll =
      lambda do |id|
        tobiah.post("/message-bus/#{SecureRandom.hex(8)}/poll?dlp=t", { "/workspaces/#{id}" => -1 })
        [
          tobiah.last_response.status,
          JSON.parse(tobiah.last_response.body),
          tobiah.last_response.headers.to_h.except("content-length", "set-cookie")
        ]
      end
    expect(poll.call(theirs)).to eq poll.call(invented)
    expect(tobiah.last_response.headers["cache-control"]).to include "no-store"
  end

  it "a client's person who answered by link until now and is invited to the agency side chooses a password, and " \
       "signs in" do
    login = "l#{SecureRandom.hex(3)}"
    person =
      AskFirst::App::People::AddPerson.call(
        world.environment,
        agency_id: db[:agencies].get(:id),
        name: "Lio",
        email: "#{login}@fernhollow.example",
        zone: "Europe/Lisbon",
        password: nil,
        cost: SpecWorld::CHEAP
      )
    invite =
      lambda do
        fresh = fresh_client
        _, token = invitation(fresh, "#{login}@fernhollow.example")
        token
      end
    token = invite.call
    look = nobody.call(:post, "/api/invitation/look", { token: token }).last
    expect(look).to include("side" => "agency")
    expect(nobody.call(:post, "/api/invitation/accept", { token: token, name: "Lio", password: "short" })).to match [
            422,
            a_hash_including("code" => "bad_password", "field" => "password")
          ]
    expect(db[:memberships].where(person_id: person)).to be_empty
    expect(
      nobody.call(
        :post,
        "/api/invitation/accept",
        { token: token, name: "Lio", password: "rain on the seventh pier" }
      ).first
    ).to be_between(200, 201)
    expect(ApiClient.new(ApiWorld.app).sign_in(login, "rain on the seventh pier").call(:get, "/api/me").first).to eq 200
  end

  # @return [Array] id and the secret of the link in the mail
  def invitation(client, email)
    role = db[:roles].where(name: "designer").get(:id)
    world.act("People::Invite", :ines, client, addresses: email, role_id: role)
    row = db[:invitations].where(workspace_id: world.workspace(client), email: email).first
    AskFirst::App::People::MailInvitation.call(
      world.jobs,
      AskFirst::App::Member.process(world.workspace(client), "dispatcher"),
      invitation_id: row[:id]
    )
    mail = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/#{email}.json"))).first
    [row[:id], mail["text"][%r{/invitation/?#/?(\S+)}, 1]]
  end
end
