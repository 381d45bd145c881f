# frozen_string_literal: true

RSpec.describe "Signing in" do
  let(:login) { "p#{SecureRandom.hex(4)}" }
  let(:email) { "#{login}@fernhollow.example" }
  let!(:person) do
    id =
      AskFirst::App::People::AddPerson.call(
        world.environment,
        agency_id: db[:agencies].get(:id),
        name: "Pia Somebody",
        email: email,
        zone: "Europe/Lisbon",
        password: Demo::World::PASSWORD,
        cost: SpecWorld::CHEAP
      )
    world.owner[:memberships].insert(
      workspace_id: world.workspace,
      id: AskFirst::Core::Uuid.v7(Time.now),
      person_id: id,
      side: "agency",
      role_id: db[:roles].where(name: "assistant").get(:id),
      since: world.environment.now
    )
    id
  end
  let(:client) { ApiWorld.client(login) }

  def auth(who, path, **body)
    who.post(
      "/api/auth/#{path}",
      JSON.generate(body),
      { "CONTENT_TYPE" => "application/json", "HTTP_ACCEPT" => "application/json" }
    )
    [who.last_response.status, JSON.parse(who.last_response.body)]
  end

  def me(who) = who.call(:get, "/api/me")

  # @return [Hash] what the set-up gave, with the secret for the app
  def with_second_factor(who)
    _, begun = auth(who, "otp-setup")
    status, done =
      auth(
        who,
        "otp-setup",
        otp_secret: begun["secret"],
        otp_raw_secret: begun["raw"],
        password: Demo::World::PASSWORD,
        otp: Totp.code(begun["secret"])
      )
    expect(status).to eq 200
    done.merge("secret" => begun["secret"])
  end

  # A code is taken once (RFC 6238, 5.2), so the next sign-in wants the next half minute's.
  def next_code(secret)
    world.owner[:account_otp_keys].where(id: person).update(last_use: Time.now - 120)
    Totp.code(secret)
  end

  it "what a page of one person sends is not taken as the next one's, who signed in in the same browser" do
    post = world.draft(picture: false)
    pia = ApiWorld.client(:maro)
    at = "/api/w/#{world.workspace}/posts/#{post}/remarks"
    said = ->(who) do
      pia.call(:post, at, { room: "house", words: "Whose words?" }, { "HTTP_AS_PERSON" => world.person(who) })
    end
    expect(said.call(:ines)).to match [409, a_hash_including("code" => "somebody_else", "way_on" => /kept for you/)]
    expect(db[:remarks].where(post_id: post).count).to eq 0
    expect(said.call(:maro).first).to eq 201
    # reading tells the page who is there
    expect(pia.call(:get, "/api/me", nil, { "HTTP_AS_PERSON" => world.person(:ines) }).first).to eq 200
  end

  describe "with a second factor" do
    it "the password alone opens nothing; the code of an app by RFC 6238 does" do
      made = with_second_factor(client)
      again = ApiWorld.client(login)
      expect(JSON.parse(again.last_response.body)).to include("second_factor" => true)
      expect(me(again)).to match [401, a_hash_including("code" => "second_factor", "field" => "otp")]
      expect(auth(again, "otp-auth", otp: "000000")).to match [
              401,
              a_hash_including("code" => "wrong_code", "field" => "otp")
            ]
      expect(auth(again, "otp-auth", otp: next_code(made["secret"])).first).to eq 200
      expect(me(again).first).to eq 200
    end

    it "a wrong code and a wrong password at the set-up are refused at their fields, and nothing is set up" do
      _, begun = auth(client, "otp-setup")
      expect(
        auth(
          client,
          "otp-setup",
          otp_secret: begun["secret"],
          otp_raw_secret: begun["raw"],
          password: Demo::World::PASSWORD,
          otp: "123"
        )
      ).to match [401, a_hash_including("field" => "otp")]
      expect(
        auth(
          client,
          "otp-setup",
          otp_secret: begun["secret"],
          otp_raw_secret: begun["raw"],
          password: "wrong",
          otp: Totp.code(begun["secret"])
        )
      ).to match [401, a_hash_including("field" => "password")]
      expect(db[:account_otp_keys].where(id: person)).to be_empty
    end

    it "each recovery code works once, in the place of the phone" do
      with_second_factor(client)
      codes = auth(client, "recovery-codes", password: Demo::World::PASSWORD).last["codes"]
      expect(codes.size).to be >= 8
      again = ApiWorld.client(login)
      expect(auth(again, "recovery-auth", "recovery-code": "nonsense")).to match [
              401,
              a_hash_including("code" => "wrong_code")
            ]
      expect(auth(again, "recovery-auth", "recovery-code": codes.first.downcase.tr("-", " ")).first).to eq 200
      expect(me(again).first).to eq 200
      third = ApiWorld.client(login)
      expect(auth(third, "recovery-auth", "recovery-code": codes.first).first).to eq 401
    end

    it "is kept in a form that the database alone does not open, and so are the recovery codes" do
      made = with_second_factor(client)
      codes = auth(client, "recovery-codes", password: Demo::World::PASSWORD).last["codes"]
      expect(db[:account_otp_keys].where(id: person).get(:key)).not_to eq made["secret"]
      expect(db[:account_recovery_codes].where(id: person).select_map(:code) & codes).to be_empty
    end

    it "required by the agency: without one, nothing opens but the profile where it is set up" do
      client
      db[:agencies].update(second_factor_required: true)
      expect(client.call(:get, "/api/desk")).to match [403, a_hash_including("code" => "second_factor_required")]
      expect(client.call(:get, "/api/profile").first).to eq 200
      with_second_factor(client)
      expect(client.call(:get, "/api/desk").first).to eq 200
    ensure
      db[:agencies].update(second_factor_required: false)
    end

    it "is taken off with the password" do
      with_second_factor(client)
      expect(auth(client, "otp-disable", password: "wrong")).to match [401, a_hash_including("field" => "password")]
      expect(auth(client, "otp-disable", password: Demo::World::PASSWORD).first).to eq 200
      expect(me(ApiWorld.client(login)).first).to eq 200
    end
  end

  describe "sessions" do
    it "are listed with where they are; one is ended from another, at once" do
      here = client
      there = ApiWorld.client(login)
      _, listed = here.call(:get, "/api/profile/sessions")
      expect(listed["sessions"].map { |one| one["here"] }).to match_array [true, false]
      other = listed["sessions"].find { |one| !one["here"] }
      expect(here.call(:delete, "/api/profile/sessions/#{other["id"]}").last["sessions"].size).to eq 1
      expect(me(there)).to match [401, a_hash_including("code" => "signed_out")]
      expect(me(here).first).to eq 200
      expect(here.call(:delete, "/api/profile/sessions/#{other["id"]}").first).to eq 404
    end

    it "of somebody else are not there" do
      client
      mine = client.call(:get, "/api/profile/sessions").last["sessions"].first["id"]
      expect(ApiWorld.client(:maro).call(:delete, "/api/profile/sessions/#{mine}").first).to eq 404
      expect(me(client).first).to eq 200
    end

    it "end after the agency's hours" do
      client
      world.owner[:account_active_session_keys].where(account_id: person).update(created_at: Time.now - (337 * 3_600))
      expect(me(client).first).to eq 401
    end
  end

  describe "the password" do
    def mailed_key
      job = db[:que_jobs].where(job_class: "AskFirst::Jobs::SealedMail").order(:id).last
      args = job[:args].to_a
      JSON.parse(world.environment.secrets.open(args.last.unpack1("m0")))["text"][%r{/reset-password#/(\S+)}, 1]
    end

    it "is changed with the old one, which ends all other sessions" do
      other = ApiWorld.client(login)
      expect(auth(client, "change-password", password: "wrong", new_password: "rain on the seventh pier")).to match [
              401,
              a_hash_including("field" => "password")
            ]
      expect(auth(client, "change-password", password: Demo::World::PASSWORD, new_password: "short")).to match [
              422,
              a_hash_including("code" => "bad_password", "field" => "new_password")
            ]
      expect(
        auth(client, "change-password", password: Demo::World::PASSWORD, new_password: "rain on the seventh pier").first
      ).to eq 200
      expect([me(client).first, me(other).first]).to eq [200, 401]
      expect(ApiWorld.client.sign_in(login, "rain on the seventh pier").last_response.status).to eq 200
      expect(ApiWorld.client.sign_in(login).last_response.status).to eq 401
    end

    it "is reset by a mailed link, once, and ends every session" do
      client
      expect(auth(ApiWorld.client, "reset-password-request", email: email)).to eq [200, { "success" => true }]
      key = mailed_key
      stranger = ApiWorld.client
      expect(auth(stranger, "reset-password", key: key, password: "short").first).to eq 422
      expect(auth(stranger, "reset-password", key: key, password: "rain on the seventh pier").first).to eq 200
      expect(me(client).first).to eq 401
      expect(auth(stranger, "reset-password", key: key, password: "another good long one")).to match [
              410,
              a_hash_including("code" => "reset_over")
            ]
      expect(ApiWorld.client.sign_in(login, "rain on the seventh pier").last_response.status).to eq 200
    end

    it "asked for with an address that nobody has, or of somebody who answers by link, is answered alike and mails " \
         "nothing" do
      before = db[:que_jobs].where(job_class: "AskFirst::Jobs::SealedMail").count
      answers =
        %w[nobody@fernhollow.example odile@quillmere.example].map do |address|
          auth(ApiWorld.client, "reset-password-request", email: address)
        end
      expect(answers).to all eq([200, { "success" => true }])
      expect(db[:que_jobs].where(job_class: "AskFirst::Jobs::SealedMail").count).to eq before
    end
  end
end
