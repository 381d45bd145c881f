# frozen_string_literal: true

RSpec.describe "Members", :database do
  let(:roles) { db[:roles].to_hash(:name, :id) }

  def membership(who, client = :quillmere)
    db[:memberships].where(workspace_id: world.workspace(client), person_id: world.person(who)).first
  end

  # Somebody new of the agency side, so that the story's people stay.
  def newcomer(role, **more)
    @count = (@count || 0) + 1
    id =
      AskFirst::App::People::AddPerson.call(
        world.environment,
        agency_id: db[:agencies].get(:id),
        name: "Newcomer #{SecureRandom.hex(2)}",
        email: "n#{SecureRandom.hex(4)}@fernhollow.example",
        zone: "Europe/Lisbon"
      )
    side = db[:roles].where(id: roles.fetch(role)).get(:side)
    owner = world.owner[:memberships]
    owner.insert(
      {
        workspace_id: world.workspace,
        id: AskFirst::Core::Uuid.v7(Time.now),
        person_id: id,
        side: side,
        role_id: roles.fetch(role),
        since: world.environment.now
      }.merge(more)
    )
    id
  end

  def as(person_id)
    AskFirst::App::Member.from_row(
      AskFirst::Store::People::Members.find(world.environment.db, person_id, world.workspace, world.environment.now)
    )
  end

  def change(row, who: :bram, **more)
    world.act(
      "People::UpdateMember",
      who,
      membership_id: row[:id],
      version: row[:version],
      role_id: row[:role_id],
      **more
    )
  end

  it "the page says for every act whether, why and who can" do
    sheet = world.act("People::MemberSheet", :ines, membership_id: membership(:sunniva)[:id])
    lines = sheet[:lines].to_h { |line| [line[:words], line] }
    expect(lines["Change pictures, order and crop"]).to include(allowed: "all", why: "role")
    expect(lines["Change copy"]).to include(allowed: "none", why: "not in the role")
    expect(lines["Change copy"][:who_can]).to include("Maro Lindqvist", "Wren Adeyo")
    expect(lines["Change the route, skip a step"][:who_can]).to eq ["Bram Teodoro"]
  end

  it "the page and the decision agree for every member and every act" do
    AskFirst::Store::People::Members
      .of_workspace(world.member(:ines).scope(world.environment.db), world.environment.now)
      .each do |row|
        about = AskFirst::App::Member.from_row(row)
        sheet = world.act("People::MemberSheet", :ines, membership_id: row[:membership_id])
        AskFirst::App::People::MemberSheet::LINES.each do |words, acts|
          next if acts.any? { |act| act.start_with?("answer_") || act == "finish_task" }

          may = acts.map { |act| AskFirst::Core::Permissions::Decision.for(about, act).allowed? }
          said = { [true] => "all", [false] => "none" }.fetch(may.uniq, "part")
          expect([row[:name], words, sheet[:lines].find { |line| line[:words] == words }[:allowed]]).to eq [
               row[:name],
               words,
               said
             ]
        end
      end
  end

  it "limited to a channel, a member sees and does only what is there" do
    person = newcomer("account lead")
    row = db[:memberships].where(person_id: person).first
    change(row, channel_ids: [world.channel(:vitrine)])
    both = world.draft
    ticker = world.draft(channels: [:ticker])
    limited = as(person)
    sheet = world.act("Posts::PostSheet", limited, post_id: both)
    expect(sheet[:adaptations].map { |one| one[:channel][:name] }).to eq ["Vitrine"]
    expect(sheet[:other_channels]).to eq 1
    expect { world.act("Posts::PostSheet", limited, post_id: ticker) }.to raise_error(AskFirst::Core::NotFound)
    expect {
      world.act(
        "Posts::UpdatePart",
        limited,
        post_id: both,
        channel_id: world.channel(:ticker),
        part: "text",
        value: "x",
        version: 0
      )
    }.to raise_error(AskFirst::Core::Refused, /limited to other channels/)
    expect {
      world.act("Posts::UpdatePart", limited, post_id: both, channel_id: nil, part: "text", value: "x", version: 1)
    }.to raise_error(AskFirst::Core::Refused)
    expect(
      world.act(
        "Posts::UpdatePart",
        limited,
        post_id: both,
        channel_id: world.channel(:vitrine),
        part: "text",
        value: "Own words",
        version: 0
      )
    ).to eq 1
    listed = AskFirst::App::Posts::ListPosts.call(limited.scope(world.environment.db))[:posts].map { |post| post[:id] }
    expect(listed).to include(both)
    expect(listed).not_to include(ticker)
    expect { world.act("Signoff::Hold", limited, reason: "all of it") }.to raise_error(AskFirst::Core::Refused)
  end

  it "somebody who changed it meanwhile is said, with what it is now" do
    row = db[:memberships].where(person_id: newcomer("assistant")).first
    change(row, title: "desk")
    expect { change(row, title: "other") }.to raise_error(AskFirst::Core::Conflict) { |error|
      expect([error.code, error.facts["theirs"]["title"], error.facts["version"]]).to eq ["member_changed", "desk", 2]
    }
  end

  it "a member never changes sides" do
    expect { change(membership(:maro), role_id: roles["client observer"]) }.to raise_error(
      AskFirst::Core::Invalid
    ) { |error| expect(error.code).to eq "other_side" }
  end

  describe "leaving" do
    it "names what is in hand, and hands it over" do
      person = newcomer("designer")
      heir = newcomer("designer")
      post = world.draft
      task =
        world.act(
          "Traffic::AssignTask",
          :ines,
          post_id: post,
          kind: "picture",
          title: "Lamps",
          person_id: person,
          due: {
            "wall" => "2026-10-20T12:00",
            "zone" => "Europe/Lisbon"
          }
        )
      id = db[:memberships].where(person_id: person).get(:id)
      expect(world.act("People::MemberSheet", :ines, membership_id: id)[:holds][:tasks]).to eq ["Lamps"]
      expect { world.act("People::EndMember", :ines, membership_id: id) }.to raise_error(
        AskFirst::Core::Conflict
      ) { |error|
        expect([error.code, error.field]).to eq %w[needs_heir to]
        expect(error.message).to include "1 open task"
      }
      world.act("People::EndMember", :ines, membership_id: id, to: heir)
      expect(db[:tasks].where(id: task).get(:person_id)).to eq heir
      expect(
        AskFirst::Store::People::Members.find(world.environment.db, person, world.workspace, world.environment.now)
      ).to be_nil
      expect(world.acts(post)).to include "task_handed_over"
    end

    it "losing a person satisfies nothing: the heir is asked in their place and answers for themselves" do
      person = newcomer("reviewer")
      heir = newcomer("reviewer")
      step = world.owner[:route_steps].where(workspace_id: world.workspace, position: 0).get(:id)
      others = world.owner[:route_step_people].where(workspace_id: world.workspace, step_id: step).all
      world.owner[:route_step_people].where(workspace_id: world.workspace, step_id: step).delete
      world.owner[:route_step_people].insert(workspace_id: world.workspace, step_id: step, person_id: person)
      post = world.draft
      world.ask(post, 0)
      id = db[:memberships].where(person_id: person).get(:id)
      expect { world.act("People::EndMember", :ines, membership_id: id) }.to raise_error(
        AskFirst::Core::Conflict,
        /nobody else can answer/
      )
      world.act("People::EndMember", :ines, membership_id: id, to: heir)
      expect(world.post_state(post).adaptations.first.verdict.waits_at.position).to eq 0
      line = world.line(post)
      world.act(
        "Signoff::AnswerAsk",
        as(heir),
        line_id: line[:id],
        verdict: "yes",
        words: "",
        shown: world.shown(post),
        seen: 0
      )
      expect(world.stage(post)).to eq "client_approval"
    ensure
      world.owner[:route_step_people].where(workspace_id: world.workspace, step_id: step).delete
      others.each { |row| world.owner[:route_step_people].insert(row) }
    end

    it "a guest pass of somebody who left stops working" do
      email =
        AskFirst::App::People::AddPerson.call(
          world.environment,
          agency_id: db[:agencies].get(:id),
          name: "Guest",
          email: "g#{SecureRandom.hex(3)}@quillmere.example",
          zone: "Europe/Lisbon"
        )
      world.owner[:memberships].insert(
        workspace_id: world.workspace,
        id: AskFirst::Core::Uuid.v7(Time.now),
        person_id: email,
        side: "client",
        role_id: roles["client approver"],
        since: world.environment.now
      )
      step = world.step(1)
      world.owner[:route_step_people].insert(workspace_id: world.workspace, step_id: step, person_id: email)
      post = world.draft
      world.ask(post, 0)
      world.answer(post, :wren)
      world.ask(post, 1)
      pass =
        world.act(
          "Signoff::CreatePass",
          AskFirst::App::Member.process(world.workspace, "dispatcher"),
          ask_id: world.line(post)[:ask_id],
          person_id: email
        )
      visit = AskFirst::App::Signoff::ExchangePass.call(world.environment, pass)
      expect(AskFirst::App::Signoff::ExchangePass.member(world.environment, visit, nil).name).to eq "Guest"
      world.act(
        "People::EndMember",
        :ines,
        membership_id: db[:memberships].where(person_id: email).get(:id),
        to: world.person(:odile)
      )
      expect { AskFirst::App::Signoff::ExchangePass.member(world.environment, visit, nil) }.to raise_error(
        AskFirst::Core::Over
      )
      expect { AskFirst::App::Signoff::ExchangePass.call(world.environment, pass) }.to raise_error(AskFirst::Core::Over)
    ensure
      world.owner[:route_step_people].where(person_id: email).delete
    end
  end

  describe "a lead" do
    # Brackwater's leads: Bram, Ines and Tobiah. Two of them may go.
    it "is always left: neither leaving nor another role nor an end date takes the last" do
      %i[tobiah ines].each do |who|
        world.owner[:memberships].where(id: membership(who, :brackwater)[:id]).update(role_id: roles["assistant"])
      end
      row = membership(:bram, :brackwater)
      bram = world.member(:bram, :brackwater)
      attempts = [
        -> { world.act("People::EndMember", bram, membership_id: row[:id], to: world.person(:ines)) },
        -> do
          world.act(
            "People::UpdateMember",
            bram,
            membership_id: row[:id],
            version: row[:version],
            role_id: roles["assistant"]
          )
        end,
        -> do
          world.act(
            "People::UpdateMember",
            bram,
            membership_id: row[:id],
            version: row[:version],
            role_id: row[:role_id],
            until_date: "2026-12-31"
          )
        end,
        -> do
          world.act(
            "People::UpdateMember",
            bram,
            membership_id: row[:id],
            version: row[:version],
            role_id: row[:role_id],
            channel_ids: [world.channel(:ticker, :brackwater)]
          )
        end
      ]
      attempts.each do |attempt|
        expect(&attempt).to raise_error(AskFirst::Core::Conflict) { |error| expect(error.code).to eq "no_lead_left" }
      end
      expect { world.owner[:memberships].where(id: row[:id]).update(ended_at: Time.now) }.to raise_error(
        Sequel::DatabaseError,
        /left without a lead/
      )
    ensure
      %i[tobiah ines].each do |who|
        world.owner[:memberships].where(id: membership(who, :brackwater)[:id]).update(role_id: roles["account lead"])
      end
    end
  end

  it "an owner looks as a member, the record says so, and nobody else may" do
    looked = world.act("People::LookAs", :bram, membership_id: membership(:sunniva)[:id])
    expect(looked).to include(name: "Sunniva Achterberg", side: "agency")
    expect(db[:record].where(act: "looked_as").get(:facts)).to eq(
      "person" => "Sunniva Achterberg",
      "role" => "designer"
    )
    expect { world.act("People::LookAs", :ines, membership_id: membership(:sunniva)[:id]) }.to raise_error(
      AskFirst::Core::Refused
    ) { |error| expect(error.way_on).to eq "Bram Teodoro can." }
    expect { world.act("People::LookAs", :bram, membership_id: membership(:bram)[:id]) }.to raise_error(
      AskFirst::Core::Invalid
    )
  end

  it "while somebody looks as a member, what that member may do is refused" do
    row =
      AskFirst::Store::People::Members.find(
        world.environment.db,
        world.person(:maro),
        world.workspace,
        world.environment.now
      )
    looking = AskFirst::App::Member.from_row(row, looking: true)
    expect(world.act("Posts::PostSheet", looking, post_id: world.draft)[:can]["make_post"]).to include(
      ok: false,
      why: a_string_including("only looking as Maro")
    )
    expect { world.act("Posts::CreatePost", looking, subject: "x") }.to raise_error(AskFirst::Core::Refused) { |error|
      expect(error.code).to eq "looking"
    }
  end

  it "a lead turns down what a client's person is told, never off for what they must answer" do
    id = membership(:odile)[:id]
    world.act("People::TurnDownNotices", :ines, membership_id: id, notices: { "talk" => "not", "asked" => "digest" })
    expect(world.act("People::MemberSheet", :ines, membership_id: id)[:notices]).to include(
      "asked" => "digest",
      "talk" => "not"
    )
    expect {
      world.act("People::TurnDownNotices", :ines, membership_id: id, notices: { "asked" => "not" })
    }.to raise_error(AskFirst::Core::Invalid, /cannot be turned off/)
    expect {
      world.act("People::TurnDownNotices", :ines, membership_id: membership(:maro)[:id], notices: {})
    }.to raise_error(AskFirst::Core::Refused, /choose themselves/)
  ensure
    world.owner[:memberships].where(id: id).update(notices: "{}")
  end
end
