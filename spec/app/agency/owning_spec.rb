# frozen_string_literal: true

RSpec.describe "The agency's own pages" do
  def call(name, who = :bram, **input) =
    AskFirst::App.const_get("Agency::#{name}").call(world.environment, agency_person(who), **input)

  describe "people across clients, clients across people" do
    it "is one table, read either way" do
      shown = call("People")
      ines = shown[:people].find { |one| one[:name] == "Ines Calloway" }
      expect(ines[:places].find { |place| place[:workspace_id] == world.workspace }).to include(
        role: "account lead",
        limited: false
      )
      expect(ines[:places].size).to eq(shown[:clients].count { |client| client[:leads].include?("Ines Calloway") })
      quillmere = shown[:clients].find { |one| one[:name] == "Quillmere Ferries" }
      expect(quillmere).to include(
        state: "open",
        leads: a_collection_including("Bram Teodoro", "Ines Calloway", "Tobiah Renn")
      )
      expect(shown[:people].find { |one| one[:name] == "Odile Marchetti" }).to include(side: "client", owner: false)
    end

    it "asks the database as often for two clients as for six" do
      call("People") # statements are prepared once a connection
      before = statements { call("People") }
      4.times { fresh_client }
      expect(statements { call("People") }).to eq before
    end

    it "is an owner's" do
      %w[People Policies AgencyRecord].each do |name|
        expect { call(name, :ines) }.to raise_error(AskFirst::Core::Refused)
      end
    end
  end

  describe "policies" do
    let(:agency) { world.owner[:agencies] }

    after do
      agency.update(
        second_factor_required: false,
        session_hours: 336,
        mail_domains: Sequel.pg_array([], :text),
        leads_change_route: true,
        version: 1
      )
    end

    def change(**more)
      call(
        "UpdatePolicies",
        version: agency.get(:version),
        second_factor_required: false,
        session_hours: 24,
        mail_domains: [],
        leads_change_route: true,
        **more
      )
    end

    it "let whoever leads a client change its sign-off route, or only owners" do
      can = ->(who) { world.act("Signoff::RouteList", who)[:can]["change_route"] }
      rule = ->(who) { world.act("Signoff::RouteList", who)[:can]["rule"] }
      expect([can.call(:ines)[:ok], rule.call(:ines)[:ok]]).to eq [true, false]
      change(leads_change_route: false)
      expect(can.call(:ines)).to include(ok: false, why: /Your role here cannot change the sign-off route/)
      expect(refusal { world.act("Signoff::SaveRoute", :ines, steps: [], about: { name: "Mine" }) }).to be_a(
        AskFirst::Core::Refused
      )
      expect([can.call(:bram)[:ok], rule.call(:bram)[:ok]]).to eq [true, true]
      expect(call("Policies")).to include(leads_change_route: false)
    end

    it "say from which mail domains people of the agency's side may be invited" do
      change(mail_domains: ["@Fernhollow.example", "fernhollow.example", " "])
      expect(call("Policies")).to include(mail_domains: ["fernhollow.example"], session_hours: 24)
      assistant = db[:roles].where(name: "assistant").get(:id)
      observer = db[:roles].where(name: "client observer").get(:id)
      results =
        world.act(
          "People::Invite",
          :ines,
          addresses: "x#{SecureRandom.hex(3)}@elsewhere.example, y#{SecureRandom.hex(3)}@fernhollow.example",
          role_id: assistant
        )
      expect(results.map { |one| one[:invited] }).to eq [false, true]
      expect(results.first[:problem]).to include "fernhollow.example"
      expect(
        world.act(
          "People::Invite",
          :ines,
          addresses: "z#{SecureRandom.hex(3)}@elsewhere.example",
          role_id: observer
        ).first[
          :invited
        ]
      ).to be true
    end

    it "refuse hours and domains that are none, at their field, and two owners at once" do
      expect { change(session_hours: 0) }.to raise_error(AskFirst::Core::Invalid) { |error|
        expect(error.field).to eq "session_hours"
      }
      expect { change(mail_domains: ["not a domain"]) }.to raise_error(AskFirst::Core::Invalid) { |error|
        expect([error.code, error.field]).to eq %w[bad_domain mail_domains]
      }
      change
      expect { change(version: 1) }.to raise_error(AskFirst::Core::Conflict) { |error|
        expect(error.facts["theirs"]).to include("session_hours" => 24)
      }
    end

    it "require a second factor only from an owner who has one" do
      expect { change(second_factor_required: true) }.to raise_error(AskFirst::Core::Conflict) { |error|
        expect([error.code, error.field]).to eq %w[own_second_factor second_factor_required]
      }
      expect(call("Policies")[:without_second_factor]).to include "Bram Teodoro"
    end
  end

  describe "the record across clients" do
    it "is narrowed by client, person, act and day, and paged without a gap" do
      world.draft
      world.draft(client: :brackwater)
      whole = call("AgencyRecord")[:rows]
      expect(whole.map { |row| row[:workspace_id] }.uniq).to include(world.workspace, world.workspace(:brackwater))
      one = call("AgencyRecord", workspace: world.workspace, act: "post_made")[:rows]
      expect(one.map { |row| row.values_at(:workspace_id, :act) }.uniq).to eq [[world.workspace, "post_made"]]
      maro = call("AgencyRecord", person: world.person(:maro))[:rows]
      expect(maro.map { |row| row[:who] }.uniq).to eq ["Maro Lindqvist"]
      expect(call("AgencyRecord", from: "2031-01-01")[:rows]).to be_empty
      first = call("AgencyRecord", limit: 5)
      second = call("AgencyRecord", limit: 5, before: first[:next])
      expect(first[:rows].map { |row| row[:id] } + second[:rows].map { |row| row[:id] }).to eq(
        call("AgencyRecord", limit: 10)[:rows].map { |row| row[:id] }
      )
      expect { call("AgencyRecord", workspace: AskFirst::Core::Uuid.v7(Time.now)) }.to raise_error(
        AskFirst::Core::NotFound
      )
    end

    it "of the agency itself names what was done to roles and policies" do
      AskFirst::App::Permissions::CreateRole.call(
        world.environment,
        agency_person(:bram),
        name: "r#{SecureRandom.hex(3)}",
        side: "agency",
        abilities: %w[see]
      )
      row = call("AgencyRecord", of: "agency")[:rows].first
      expect(row).to include(act: "role_made", who: "Bram Teodoro", workspace_id: nil, from: "127.0.0.1")
    end
  end
end
