# frozen_string_literal: true

RSpec.describe "Inviting", :database do
  let(:roles) { db[:roles].to_hash(:name, :id) }
  let(:process) { AskFirst::App::Member.process(world.workspace, "dispatcher") }

  def invite(addresses, role: "assistant", who: :ines, **more)
    world.act("People::Invite", who, addresses: addresses, role_id: roles.fetch(role), **more)
  end

  # The link's secret, as only the mail holds it.
  def token(email)
    id = db[:invitations].where(email: email).reverse(:invited_at).get(:id)
    world.act("People::MailInvitation", process, invitation_id: id)
    mails = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/#{email}.json")))
    mails.first["text"][%r{/invitation#/(\S+)}, 1]
  end

  def accept(token, **more)
    AskFirst::App::People::AcceptInvitation.call(world.environment, token, cost: SpecWorld::CHEAP, **more)
  end

  def fresh = "new#{SecureRandom.hex(4)}@fernhollow.example"

  it "several at once: each gets its own answer, the good ones are kept" do
    good = [fresh, fresh]
    results = invite("#{good[0]}, no-address, #{good[1]}, ines@fernhollow.example")
    expect(results.map { |one| one[:invited] }).to eq [true, false, true, false]
    expect(results[1][:problem]).to eq "Has no @."
    expect(results[3][:problem]).to eq "Is a member here already."
    expect(db[:invitations].where(email: good).count).to eq 2
    expect(invite(good[0]).first[:problem]).to start_with "Is invited already"
  end

  it "shows the inviter the same whether the person is known or not" do
    # Halima is known to the installation, from another client
    known = invite("halima@brackwater.example", role: "client observer")
    unknown = invite("nobody#{SecureRandom.hex(3)}@brackwater.example", role: "client observer")
    expect(known.map { |one| one.except(:typed) }).to eq(unknown.map { |one| one.except(:typed) })
    shown =
      world.act("People::PeopleList", :ines)[:invitations].select { |one| one[:email].end_with?("brackwater.example") }
    expect(shown.map { |one| one.except(:id, :email) }.uniq.size).to eq 1
    world.act("People::RevokeInvitation", :ines, invitation_id: shown.first[:id])
    world.act("People::RevokeInvitation", :ines, invitation_id: shown.last[:id])
  end

  it "is pending until it is accepted; accepted, the person is a member with role, channels and an end" do
    email = fresh
    invite(
      email,
      role: "video editor",
      channel_ids: [world.channel(:vitrine)],
      until_date: "2026-12-31",
      title: "freelance"
    )
    secret = token(email)
    expect(AskFirst::App::People::Invitation.look(world.environment, secret)).to include(
      client: "Quillmere Ferries",
      invited_by: "Ines Calloway",
      role: "video editor",
      known: false
    )
    accepted = accept(secret, name: "Kit Oyelaran", password: "rain on the seventh pier")
    row =
      AskFirst::Store::People::Members.find(
        world.environment.db,
        accepted[:person_id],
        world.workspace,
        world.environment.now
      )
    expect(row.slice(:role, :title, :limited)).to eq(role: "video editor", title: "freelance", limited: true)
    expect(row[:channel_ids].to_a).to eq [world.channel(:vitrine)]
    # access ends by itself with the last day in the client's zone
    expect(
      AskFirst::Store::People::Members.find(
        world.environment.db,
        accepted[:person_id],
        world.workspace,
        Time.utc(2026, 12, 31, 23, 59)
      )
    ).not_to be_nil
    expect(
      AskFirst::Store::People::Members.find(
        world.environment.db,
        accepted[:person_id],
        world.workspace,
        Time.utc(2027, 1, 1)
      )
    ).to be_nil
  end

  it "an invitation is accepted once, and not after it was revoked or has ended" do
    email = fresh
    invite(email)
    secret = token(email)
    accept(secret, name: "New", password: "rain on the seventh pier")
    expect { accept(secret, name: "Again", password: "rain on the seventh pier") }.to raise_error(
      AskFirst::Core::Over
    ) { |error| expect(error.code).to eq "invitation_used" }

    email = fresh
    invite(email)
    secret = token(email)
    world.act("People::RevokeInvitation", :ines, invitation_id: db[:invitations].where(email: email).get(:id))
    expect { accept(secret, name: "New", password: "rain on the seventh pier") }.to raise_error(
      AskFirst::Core::Over
    ) { |error| expect(error.code).to eq "invitation_over" }

    email = fresh
    invite(email)
    secret = token(email)
    world.clock.set(SpecWorld::NOON + (8 * 86_400))
    expect { accept(secret, name: "New", password: "rain on the seventh pier") }.to raise_error(
      AskFirst::Core::Over,
      /no longer works/
    )
  end

  it "two that accept at once make one membership" do
    email = fresh
    invite(email)
    secret = token(email)
    ends =
      Array
        .new(3) do
          Thread.new do
            accept(secret, name: "Twice", password: "rain on the seventh pier") && :in
          rescue AskFirst::Core::Error => e
            e.code
          end
        end
        .map(&:value)
    expect(ends.count(:in)).to eq 1
    expect(db[:people].where(email: email).count).to eq 1
  end

  it "sent again, the older link stops working" do
    email = fresh
    invite(email)
    old = token(email)
    world.act("People::InviteAgain", :ines, invitation_id: db[:invitations].where(email: email).get(:id))
    token(email)
    expect { AskFirst::App::People::Invitation.look(world.environment, old) }.to raise_error(AskFirst::Core::Over)
  end

  it "somebody known accepts as who they are signed in as, and not as another" do
    # Dulcie, invited to a client where she is no member any more
    row = { workspace_id: world.workspace(:brackwater), person_id: world.person(:dulcie) }
    world.act("People::EndMember", :bram, :brackwater, membership_id: db[:memberships].where(row).get(:id))
    world.act("People::Invite", :ines, :brackwater, addresses: "dulcie@fernhollow.example", role_id: roles["assistant"])
    id = db[:invitations].where(email: "dulcie@fernhollow.example").get(:id)
    world.act(
      "People::MailInvitation",
      AskFirst::App::Member.process(world.workspace(:brackwater), "dispatcher"),
      invitation_id: id
    )
    mails = JSON.parse(Net::HTTP.get(URI("#{Infrastructure.stand_ins[:url]}/mail/dulcie@fernhollow.example.json")))
    secret = mails.first["text"][%r{/invitation#/(\S+)}, 1]
    expect { accept(secret, name: "Dulcie", password: "rain on the seventh pier") }.to raise_error(
      AskFirst::Core::Conflict
    ) { |error| expect(error.code).to eq "sign_in_first" }
    expect { accept(secret, signed_in: world.person(:maro)) }.to raise_error(AskFirst::Core::Conflict, /somebody else/)
    expect(accept(secret, signed_in: world.person(:dulcie))[:person_id]).to eq world.person(:dulcie)
    expect(db[:memberships].where(row).get(:ended_at)).to be_nil
  end

  it "somebody of the client needs no password; a short one on the agency side is refused at its field" do
    email = "board#{SecureRandom.hex(3)}@quillmere.example"
    invite(email, role: "client observer")
    accepted = accept(token(email), name: "Lise Bakkum")
    expect(db[:account_password_hashes].where(id: accepted[:person_id]).count).to eq 0
    email = fresh
    invite(email)
    expect { accept(token(email), name: "Short", password: "short") }.to raise_error(AskFirst::Core::Invalid) { |error|
      expect([error.code, error.field]).to eq %w[bad_password password]
    }
    expect(db[:people].where(email: email).count).to eq 0
  end

  it "nobody gives what they do not have themselves" do
    expect { invite(fresh, role: "agency owner") }.to raise_error(AskFirst::Core::Refused) { |error|
      expect([error.code, error.way_on]).to eq ["beyond_own", "Bram Teodoro can."]
    }
    expect { invite(fresh, who: :wren) }.to raise_error(AskFirst::Core::Refused, /cannot invite people/)
  end

  it "the agency's mail domains hold for its own side, not for the client's" do
    owner = AskFirst::App::AgencyPerson.load(world.environment, world.person(:bram))
    version = db[:agencies].get(:version)
    AskFirst::App::Agency::UpdatePolicies.call(
      world.environment,
      owner,
      version: version,
      second_factor_required: false,
      session_hours: 336,
      mail_domains: ["Fernhollow.example"],
      leads_change_route: true
    )
    expect(invite("x@elsewhere.example").first[:problem]).to include "only from there"
    expect(invite("x#{SecureRandom.hex(3)}@elsewhere.example", role: "client observer").first[:invited]).to be true
    expect(invite(fresh).first[:invited]).to be true
  ensure
    db[:agencies].update(mail_domains: Sequel.pg_array([], :text))
  end
end
