# frozen_string_literal: true

# Wrong passwords slow down; nobody can be locked out by somebody else, and nobody learns who is known here.
RSpec.describe "The brake on wrong passwords" do
  let(:email) { "b#{SecureRandom.hex(4)}@fernhollow.example" }
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

  before { world.owner[:sign_in_tries].delete }

  def try(address, password, who: ApiWorld.client, from: "198.51.100.7", path: "login", **more)
    who.post(
      "/api/auth/#{path}",
      JSON.generate({ email: address, password: password }.merge(more)),
      { "CONTENT_TYPE" => "application/json", "HTTP_ACCEPT" => "application/json", "REMOTE_ADDR" => from }
    )
    [who.last_response.status, JSON.parse(who.last_response.body)["code"]]
  end

  def mails = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/#{email}.json")))
  def wrong(times, **more) = Array.new(times) { try(email, "wrong", **more) }

  it "slows down by person and address together, says for how long, and ends by itself" do
    expect(wrong(5).uniq).to eq [[401, "wrong_sign_in"]]
    client = ApiWorld.client
    expect(try(email, Demo::World::PASSWORD, who: client)).to eq [429, "slow_down"]
    expect(client.last_response.headers["retry-after"].to_i).to eq 15
    expect(try(email, Demo::World::PASSWORD, from: "203.0.113.20").first).to eq 200
    world.clock.set(SpecWorld::NOON + 16)
    expect(try(email, Demo::World::PASSWORD).first).to eq 200
  end

  it "answers alike for who is known, who answers by link and who is nobody, also after many tries, and counts alike" do
    answers =
      [email, "odile@quillmere.example", "nobody@fernhollow.example"].each_with_index.map do |address, index|
        Array.new(8) { try(address, "wrong", from: "198.51.100.#{20 + index}") }
      end
    expect(answers.uniq.size).to eq 1
    expect(answers.first).to eq ([[401, "wrong_sign_in"]] * 5) + ([[429, "slow_down"]] * 3)
  end

  it "looks at a password as long for a name that nobody has" do
    looked = []
    allow(Argon2::Password).to(
      receive(:verify_password).and_wrap_original { |real, *input| looked << input.first and real.call(*input) }
    )
    [email, "odile@quillmere.example", "nobody@fernhollow.example"].each_with_index do |address, index|
      try(address, "guess #{index}")
    end
    expect(looked).to match_array ["guess 0", "guess 1", "guess 2"]
  end

  it "lets a device through that was used before, whoever tries from wherever" do
    own = ApiWorld.client
    expect(try(email, Demo::World::PASSWORD, who: own).first).to eq 200
    own.call(:post, "/api/auth/logout", {})
    (1..30).each { |n| wrong(1, from: "203.0.113.#{n}") }
    expect(try(email, Demo::World::PASSWORD, from: "192.0.2.1")).to eq [429, "slow_down"]
    expect(try(email, Demo::World::PASSWORD, who: own, from: "192.0.2.1").first).to eq 200
    forged = ApiWorld.client.tap { |client| client.set_cookie("af_device=abc.#{"0" * 64}; path=/api/auth") }
    expect(try(email, Demo::World::PASSWORD, who: forged, from: "192.0.2.1").first).to eq 429
  end

  it "lets in who has chosen a new password by mail, and whom an owner lets in" do
    forget = -> { world.owner[:account_password_reset_keys].where(id: person).delete }
    wrong(6)
    try(email, "", path: "reset-password-request")
    sealed =
      db[:que_jobs].where(job_class: "AskFirst::Jobs::SealedMail").order(:id).select_map(Sequel.lit("args ->> 1")).last
    key = JSON.parse(world.environment.secrets.open(sealed.unpack1("m0")))["text"][%r{reset-password#/(\S+)}, 1]
    expect(try(email, "rain on the seventh pier", path: "reset-password", key: key).first).to eq 200
    expect(try(email, "rain on the seventh pier").first).to eq 200
    forget.call
    wrong(6)
    expect(try(email, "rain on the seventh pier").first).to eq 429
    bram = ApiWorld.client(:bram)
    expect(bram.call(:get, "/api/agency/people").last["people"].find { |one| one["id"] == person }["slowed"]).to be true
    expect(ApiWorld.client(:ines).call(:delete, "/api/agency/people/#{person}/brake").first).to eq 403
    expect(bram.call(:delete, "/api/agency/people/#{person}/brake").first).to eq 204
    expect(try(email, "rain on the seventh pier").first).to eq 200
  end

  it "tells the person by mail, once a day" do
    jobs = -> do
      db[:que_jobs].where(job_class: "AskFirst::Jobs::SealedMail").where(Sequel.lit("args ->> 0 = ?", email)).count
    end
    wrong(5)
    world.clock.set(SpecWorld::NOON + 100)
    wrong(3)
    expect(jobs.call).to eq 1
  end

  it "slows down who is signed in and tries old passwords" do
    client = ApiWorld.client
    try(email, Demo::World::PASSWORD, who: client)
    change = -> { try(email, "wrong", who: client, path: "change-password", new_password: "rain on the seventh pier") }
    expect(Array.new(5) { change.call }.uniq).to eq [[401, "wrong_password"]]
    expect(change.call).to eq [429, "slow_down"]
    expect(
      try(
        email,
        Demo::World::PASSWORD,
        who: client,
        path: "change-password",
        new_password: "rain on the seventh pier"
      ).first
    ).to eq 429
  end

  it "recovery codes do not lie readable in the database, and work once" do
    client = ApiWorld.client
    try(email, Demo::World::PASSWORD, who: client)
    begun =
      client.post("/api/auth/otp-setup", "{}", { "CONTENT_TYPE" => "application/json" }) &&
        JSON.parse(client.last_response.body)
    client.post(
      "/api/auth/otp-setup",
      JSON.generate(
        otp_secret: begun["secret"],
        otp_raw_secret: begun["raw"],
        password: Demo::World::PASSWORD,
        otp: Totp.code(begun["secret"])
      ),
      { "CONTENT_TYPE" => "application/json" }
    )
    client.post(
      "/api/auth/recovery-codes",
      JSON.generate(password: Demo::World::PASSWORD),
      { "CONTENT_TYPE" => "application/json" }
    )
    codes = JSON.parse(client.last_response.body)["codes"]
    kept = world.owner[:account_recovery_codes].where(id: person).select_map(:code)
    expect([codes.size, kept.size]).to eq [16, 16]
    expect(kept).to all(start_with("sealed:"))
    expect(kept.join).not_to include(*codes)
    world.owner[:account_recovery_codes].where(code: kept.first).update(code: "one from before")
    other = ApiWorld.client
    try(email, Demo::World::PASSWORD, who: other)
    recover = ->(code) do
      other.post(
        "/api/auth/recovery-auth",
        JSON.generate("recovery-code" => code),
        { "CONTENT_TYPE" => "application/json" }
      ) && other.last_response.status
    end
    expect([recover.call("nonsense"), recover.call("one from before")]).to eq [401, 200]
    expect(world.owner[:account_recovery_codes].where(id: person).select_map(:code)).to all(start_with("sealed:"))
  end
end

RSpec.describe AskFirst::Web::SessionPolicy do
  it "is the strictest of the agencies that bind a person" do
    agency =
      AskFirst::App::Agency::Found.call(
        world.owner,
        now: world.environment.now,
        name: "Second Studio",
        zone: "Europe/Lisbon"
      )
    world.owner[:agencies].where(id: agency).update(session_hours: 2, second_factor_required: true)
    client =
      AskFirst::App::Clients::SetUp.call(
        world.environment,
        agency_id: agency,
        name: "Elsewhere",
        initials: "EL",
        edge: "#336655",
        zone: "Europe/Lisbon",
        members: [{ person_id: world.person(:dulcie), role: "account lead" }],
        steps: [],
        by: world.person(:dulcie)
      )
    policy = described_class.new(world.environment)
    expect(policy.for(world.person(:maro))).to have_attributes(hours: 336, second_factor: false)
    world.owner[:memberships].insert(
      workspace_id: client,
      id: AskFirst::Core::Uuid.v7(Time.now),
      person_id: world.person(:maro),
      side: "agency",
      role_id: db[:roles].where(agency_id: agency, name: "designer").get(:id),
      since: world.environment.now
    )
    expect(described_class.new(world.environment).for(world.person(:maro))).to have_attributes(
      hours: 2,
      second_factor: true,
      seconds: 7_200
    )
    world.owner[:memberships].where(workspace_id: client, person_id: world.person(:maro)).update(
      ended_at: world.environment.now,
      ended_by: world.person(:maro)
    )
    expect(described_class.new(world.environment).for(world.person(:maro))).to have_attributes(
      hours: 336,
      second_factor: false
    )
  end
end
