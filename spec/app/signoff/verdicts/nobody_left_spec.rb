# frozen_string_literal: true

# Somebody leaves while they are asked, or after they wanted a change: what waits for their answer waits for nobody, and
# what they wanted nobody can take back. Both are told, and have a way on.
RSpec.describe "When somebody has left" do
  def notices(person) = db[:notices].where(person_id: person).order(:at, :id).select_map(:words)
  def rest = { "side" => "internal", "hours" => 9, "required" => true, "four_eyes" => false }
  def any_of(client, *people)
    change_route(client, [rest.merge("name" => "Read", "quorum" => "any", "people" => people)])
  end
  def step_of(client) = db[:route_steps].where(workspace_id: world.workspace(client), retired_at: nil).get(:id)
  def desk(client, who = :ines) = AskFirst::App::Agency::Desk.call(world.environment, scope_of(client, who: who))

  # A client with one step, asked of somebody new: Ines is named there, too, and asks.
  def waiting(&block)
    client = fresh_client
    channel = connected(client)
    _, person, membership = world.somebody("account lead", client: client)
    any_of(client, person, world.person(:ines))
    post = plain_post(client, channel)
    world.ask(post, 0, client: client)
    block.call(client, post, person, membership)
  end

  def without_answer
    db[:roles].where(side: "agency").exclude(Sequel.lit("'answer_internal' = ANY(abilities)")).get(:id)
  end

  def lowered(client, membership)
    row = db[:memberships].where(id: membership).first
    said = { membership_id: membership, version: row[:version], role_id: without_answer }
    world.act("People::UpdateMember", :ines, client, **said)
  end

  it "a lowered role leaves the ask to nobody: it stands on the lead's Desk, is told at once, and asked anew" do
    waiting do |client, post, person, membership|
      expect(desk(client)[:for_nobody]).to eq []
      lowered(client, membership)
      found = desk(client)
      expect(found[:for_nobody].map { |row| row[:id] }).to eq [post]
      expect(found[:counts]).to include(for_nobody: 1, waits_for_others: 0)
      sheet = world.act("Posts::PostSheet", :ines, client, post_id: post, blocks: ["signoff"])
      expect(sheet[:asks].first[:places]).to include(nobody: true)
      expect(sheet[:next_ask]).to include(step_id: step_of(client))
      world.act("Signoff::SendAsk", :ines, client, step_id: step_of(client), post_ids: [post])
      expect(db[:ask_lines].where(post_id: post, ended_at: nil).count).to eq 1
      expect(desk(client)[:for_nobody]).to eq []
      expect(db[:ask_people].where(ask_id: world.line(post)[:ask_id]).select_map(:person_id)).not_to include person
    end
  end

  it "whoever leads the client is told once, and not whoever caused it" do
    waiting do |client, _, _, membership|
      _, lead, = world.somebody("account lead", client: client)
      2.times { lowered(client, membership) }
      expect(notices(lead).grep(/nobody who was asked can give any more/).size).to eq 1
    end
  end

  it "whoever leads other channels alone is not told of what they do not see" do
    waiting do |client, _, _, membership|
      other = connected(client, "guildhall")
      _, elsewhere, = world.somebody("account lead", client: client, limited: [other])
      _, here, = world.somebody("account lead", client: client, limited: [world.channel(:ticker, client)])
      lowered(client, membership)
      expect([here, elsewhere].map { |one| notices(one).grep(/nobody who was asked/).size }).to eq [1, 0]
    end
  end

  it "so does a part that is limited to other channels, and a last day that is over; coming back ends it" do
    waiting do |client, post, person, membership|
      other = connected(client, "guildhall")
      row = db[:memberships].where(id: membership).first
      said = { membership_id: membership, role_id: row[:role_id] }
      world.act("People::UpdateMember", :ines, client, **said, version: row[:version], channel_ids: [other])
      expect(db[:posts].where(id: post).get(:waits_for_nobody)).to be true
      world.act("People::UpdateMember", :ines, client, **said, version: row[:version] + 1, until_date: "2026-10-14")
      expect(db[:posts].where(id: post).get(%i[waits_for_nobody changes_at])).to match [false, be_a(Time)]
      world.clock.set(Time.utc(2026, 10, 15, 0, 1))
      AskFirst::App::Signoff::RefreshDue.all(world.jobs)
      expect(db[:posts].where(id: post).get(:waits_for_nobody)).to be true
      world.owner[:memberships].where(id: membership).update(access_until: nil)
      process = AskFirst::App::Member.process(world.workspace(client), "people")
      AskFirst::App::Signoff::RefreshAsked.call(world.jobs, process, person_id: person)
      expect(db[:posts].where(id: post).get(%i[waits_for_nobody changes_at])).to eq [false, nil]
    end
  end

  it "as long as somebody else can answer, it waits for them" do
    client = fresh_client
    channel = connected(client)
    people = Array.new(2) { world.somebody("account lead", client: client) }
    any_of(client, *people.map { |one| one[1] })
    post = plain_post(client, channel)
    world.ask(post, 0, client: client)
    world.act("People::EndMember", :ines, client, membership_id: people[0][2])
    expect(db[:posts].where(id: post).get(:waits_for_nobody)).to be false
    expect(desk(client)[:for_nobody]).to eq []
  end

  describe "after they wanted a change" do
    before { @governs = {} }

    def blocked
      waiting do |client, post, person, membership|
        reader = AskFirst::Store::People::Members.find(db, person, world.workspace(client), world.environment.now)
        said = { line_id: world.line(post)[:id], verdict: "no", words: "Never", shown: world.shown(post) }
        world.act("Signoff::AnswerAsk", AskFirst::App::Member.from_row(reader), client, **said)
        yield client, post, person, membership
      end
    end

    def aside(client, post, person, who: nil)
      who ||= @governs[client] ||= world.insider("agency owner", client: client)
      said = { post_id: post, step_id: db[:answers].where(post_id: post).get(:step_id), person_id: person }
      world.act("Signoff::SetAside", who, client, reason: "They have left the house", **said)
    end

    def error = AskFirst::Core::Error
    def ends(membership) = world.owner[:memberships].where(id: membership).update(ended_at: world.environment.now)

    it "it is theirs to take back while they are here, and set aside on record when they have left" do
      blocked do |client, post, person, membership|
        expect(refusal { aside(client, post, person) }.code).to eq "still_here"
        ends(membership)
        limited = limited_to(connected(client, "guildhall"), client: client)
        [limited, :ines].each { |who| expect(refusal { aside(client, post, person, who: who) }).to be_a error }
        expect(refusal { aside(client, post, world.person(:bram)) }.code).to eq "nothing_to_rule"
        sheet = world.act("Posts::PostSheet", :ines, client, post_id: post)
        expect(sheet[:left_blocks].map { |one| one[:person_id] }).to eq [person]
        aside(client, post, person)
        expect(world.stage(post)).not_to eq "changes_wanted"
        after = world.act("Posts::PostSheet", :ines, client, post_id: post)
        expect(after[:left_blocks]).to eq []
        expect(after[:strip].flat_map { |stamp| stamp["by_hand"].to_a }.first).to match(/wanted was set aside by/)
        rows = world.act("Signoff::SheetRows", :ines, client, post_id: post)[:rows]
        expect(rows.map { |row| row["said"] }).to eq ["no", "change set aside"]
        expect(world.acts(post)).to include "block_set_aside"
        expect(refusal { aside(client, post, person) }.code).to eq "nothing_to_rule"
      end
    end

    it "a change that they want after they have come back blocks again" do
      blocked do |client, post, person, membership|
        ends(membership)
        aside(client, post, person)
        world.owner[:memberships].where(id: membership).update(ended_at: nil)
        reader = AskFirst::Store::People::Members.find(db, person, world.workspace(client), world.environment.now)
        said = { line_id: world.line(post)[:id], verdict: "no", words: "Still never", shown: world.shown(post) }
        world.act("Signoff::AnswerAsk", AskFirst::App::Member.from_row(reader), client, **said)
        expect(world.stage(post)).to eq "changes_wanted"
      end
    end

    it "two at once: the second finds nothing to set aside" do
      blocked do |client, post, person, membership|
        ends(membership)
        @governs[client] = world.insider("agency owner", client: client)
        codes = Array.new(2) { Thread.new { refusal { aside(client, post, person) }&.code } }.map(&:value)
        expect(codes).to match_array [nil, "nothing_to_rule"]
        expect(db[:rulings].where(post_id: post).count).to eq 1
      end
    end
  end
end
