# frozen_string_literal: true

RSpec.describe "The plan that a client sees" do
  let(:w) { world.workspace }

  def asked(wall)
    world
      .draft(wall: wall)
      .tap do |post|
        world.ask(post, 0)
        world.answer(post, :wren)
        world.ask(post, 1)
      end
  end

  def draft(wall) = world.draft(wall: wall)
  def plan(who = :odile) = world.act("Plan::ClientPlan", who)
  def of(post, found = plan) = found[:posts].select { |one| one[:id] == post }
  def link(**more) = world.act("Plan::CreateLink", :ines, name: "Odile", weeks: 8, days: 30, **more)
  def by_link(secret) = AskFirst::App::Plan::PlanByLink.call(world.environment, secret)

  it "has what they were asked for, with their own stamps, and no draft" do
    one = asked("2026-10-27T07:30")
    drafted = draft("2026-10-28T07:30")
    world.ask(house = draft("2026-10-29T07:30"), 0)
    found = of(one).first
    expect(found).to include(state: "waits", wall: "2026-10-27T07:30")
    expect(found[:strip].map { |stamp| stamp["side"] }).to eq ["client"]
    expect(of(drafted) + of(house)).to eq []
  end

  it "says in their words what waits, what they agreed to, what is being changed and what is out" do
    post = asked("2026-10-27T08:30")
    world.answer(post, :odile)
    expect(of(post).first[:state]).to eq("agreed").or eq("waits")
    db[:adaptations].where(post_id: post).update(stage: "changes_wanted")
    expect(of(post).first[:state]).to eq "changing"
    db[:adaptations].where(post_id: post).update(stage: "out")
    expect(of(post).first[:state]).to eq "out"
  end

  it "loses what was withdrawn, and what is kept out, until it is let in again" do
    post = asked("2026-10-27T09:30")
    world.act("Plan::KeepOut", :ines, post_id: post, out: true)
    expect(of(post)).to eq []
    world.act("Plan::KeepOut", :ines, post_id: post, out: false)
    expect(of(post).size).to eq 1
    db[:asks].where(id: db[:ask_lines].where(post_id: post).select(:ask_id)).update(withdrawn_at: world.environment.now)
    expect(of(post)).to eq []
    acts = db[:record].where(post_id: post).order(:order_no).select_map(:act)
    expect(acts & %w[kept_out let_in]).to eq %w[kept_out let_in]
  end

  it "has the subject of a post, and never the inner name that the agency gave it" do
    post = asked("2026-10-27T09:45")
    world.act("Posts::UpdateInnerName", :ines, post_id: post, inner_name: "Costly rerun", version: 1)
    subject = world.owner[:posts].where(id: post).get(:subject)
    line = world.line(post)[:ask_id]
    row = AskFirst::Store::People::Members.find(world.environment.db, world.person(:odile), w, world.environment.now)
    guest = AskFirst::App::Signoff::AsksOf.guest(world.environment, row, line)
    seen =
      [plan, by_link(link[:secret]), AskFirst::App::Signoff::Review.call(world.environment, guest)].map do |found|
        JSON.generate(found)
      end
    expect(seen.first(2)).to all include(subject)
    seen.each { |found| expect(found).not_to include "Costly rerun" }
  end

  it "is seen by the lead in one press exactly as by the client; by who is limited, on their channels" do
    one = asked("2026-10-27T10:30")
    expect(of(one, plan(:ines))).to eq of(one, plan(:odile))
    limited = AskFirst::App::Member.new(**world.member(:ines).to_h, limited_to: [world.channel(:ticker)])
    found = AskFirst::App::Plan::ClientPlan.call(world.environment, limited)
    expect(of(one, found).first[:channels].map { |channel| channel["name"] }).to eq ["Ticker"]
  end

  describe "by a link" do
    it "needs no account, and shows the same and nothing else" do
      one = asked("2026-10-27T11:30")
      secret = link[:secret]
      expect(of(one, by_link(secret))).to eq of(one)
      expect(by_link(secret)).to include(marks: [])
      kept = db[:plan_links].where(workspace_id: w).select_map(:digest)
      expect(kept.map(&:to_s)).not_to include(secret)
    end

    it "guessed, revoked and past its end is one answer" do
      made = link
      answers =
        [
          -> { by_link("guessed") },
          -> do
            revoke(made)
            by_link(made[:secret])
          end,
          -> { by_link(expired) }
        ].map { |try| refusal(&try) }
      expect(answers.map { |one| [one.class, one.message] }.uniq.size).to eq 1
      expect(answers.first).to be_a(AskFirst::Core::NotFound)
    end

    def revoke(made) = world.act("Plan::RevokeLink", :ines, link_id: made[:id])

    def expired
      made = link(name: "Old")
      db[:plan_links].where(id: made[:id]).update(
        made_at: world.environment.now - 90_000,
        expires_at: world.environment.now - 1
      )
      made[:secret]
    end

    it "shows pencil marks and money only if it was made to" do
      cell = { "day" => "2026-10-30", "channel_id" => world.channel(:vitrine), "word" => "open place" }
      world.act("Plan::UpdateMarks", :ines, put: [cell])
      words = ->(secret) { by_link(secret)[:marks].map { |mark| mark[:word] } }
      expect([words.call(link[:secret]), words.call(link(name: "With marks", marks: true)[:secret])]).to match [
              [],
              include("open place")
            ]
    end

    it "ends for an archived client" do
      client = fresh_client
      made = world.act("Plan::CreateLink", :ines, client, name: "Somebody", weeks: 4, days: 10)
      expect(by_link(made[:secret])[:posts]).to eq []
      world.act("Clients::Archive", :ines, client)
      expect(refusal { by_link(made[:secret]) }).to be_a(AskFirst::Core::NotFound)
    end

    it "has a name, some weeks and an end, and is made by who may ask" do
      expect(
        [refusal { link(name: " ") }.code, refusal { link(weeks: 0) }.code, refusal { link(days: 366) }.code]
      ).to eq %w[name_missing bad_weeks bad_days]
      made = { name: "x", weeks: 1, days: 1 }
      expect(refusal { world.act("Plan::CreateLink", :sunniva, **made) }).to be_a(AskFirst::Core::Refused)
      expect(refusal { world.act("Plan::CreateLink", :odile, **made) }).to be_a(AskFirst::Core::Refused)
      expect(world.act("Plan::LinkList", :ines).map(&:keys).uniq.flatten).not_to include(:digest)
    end
  end
end
