# frozen_string_literal: true

RSpec.describe "Saved views of the plan" do
  let(:client) { fresh_client }
  let(:workspace) { world.workspace(client) }

  def scope(who = :ines, ids = [workspace])
    AskFirst::Store::Scope.new(world.environment.db, workspace_ids: ids, person_id: world.person(who), side: "agency")
  end

  def found(who = :ines, ids = [workspace], over_all: false)
    AskFirst::App::Plan::ViewList.call(scope(who, ids), over_all: over_all)
  end

  def save(name, who: :ines, narrowing: {}, workspace_id: workspace, look: "month")
    AskFirst::App::Plan::SaveView.call(
      world.environment,
      agency_person(who),
      name: name,
      look: look,
      narrowing: narrowing,
      workspace_id: workspace_id
    )
  end

  def share(name, who: :ines, **narrowing)
    given = narrowing.transform_keys(&:to_s)
    world.act("Plan::ShareView", who, client, name: name, look: "week", narrowing: given)
  end

  it "are found again with how many posts they show, counted in one statement" do
    plain_post(client, connected(client))
    save("Drafts", narrowing: { "stages" => "drafting" })
    save("Cleared", narrowing: { "stages" => "cleared" }, look: "channels")
    expect(found).to contain_exactly(
      hash_including(name: "Cleared", look: "channels", narrowing: { "stages" => "cleared" }, count: 0, shared: false),
      hash_including(name: "Drafts", count: 1, workspace_id: workspace)
    )
  end

  it "of one name are one: it is written over, also by two at once" do
    3.times.map { |n| Thread.new { save("Mine", narrowing: { "words" => "w#{n}" }) } }.each(&:join)
    save("mine", narrowing: { "words" => "last" })
    expect(found.map { |view| view.slice(:name, :narrowing) }).to eq [
         { name: "Mine", narrowing: { "words" => "last" } }
       ]
  end

  it "removed at the moment at which it is saved is saved" do
    saving = Thread.new { 40.times { |n| save("Fleeting", narrowing: { "words" => "w#{n}" }) } }
    db[:saved_views].where(workspace_id: workspace, name: "Fleeting").delete while saving.alive?
    expect { saving.value }.not_to raise_error
  end

  it "of one's own are nobody else's; those of a client are everybody's there" do
    own = save("Mine alone")
    share("Waits for the client", waits: "client")
    expect(found(:bram).map { |view| view[:name] }).to eq ["Waits for the client"]
    expect(
      refusal { AskFirst::App::Plan::RemoveView.call(world.environment, agency_person(:bram), view_id: own) }
    ).to be_a(AskFirst::Core::NotFound)
    expect(refusal { save("There", who: :sunniva) }).to be_a(AskFirst::Core::NotFound)
    expect(
      refusal { world.act("Plan::ShareView", :sunniva, :quillmere, name: "X", look: "week", narrowing: {}) }
    ).to be_a(AskFirst::Core::Refused)
    expect(db[:record].where(workspace_id: workspace, act: "view_shared").count).to eq 1
  end

  it "over all of one's clients are found only there" do
    save("Everywhere", workspace_id: nil, narrowing: { "waits" => "client" })
    expect(found.map { |view| view[:name] }).not_to include "Everywhere"
    both = [workspace, world.workspace]
    expect(found(:ines, both, over_all: true).map { |view| view[:name] }).to include "Everywhere"
    expect(found(:tobiah, both, over_all: true).map { |view| view[:name] }).not_to include "Everywhere"
  end

  it "are removed by whose they are, and those of a client by who plans there; twice is told" do
    own = save("Mine")
    drop = -> { AskFirst::App::Plan::RemoveView.call(world.environment, agency_person(:ines), view_id: own) }
    drop.call
    expect(refusal(&drop)).to be_a(AskFirst::Core::NotFound)
    shared = share("Ours")
    world.act("Plan::UnshareView", :bram, client, view_id: shared)
    expect(found).to eq []
    expect(refusal { world.act("Plan::UnshareView", :bram, client, view_id: shared) }).to be_a(AskFirst::Core::NotFound)
  end

  it "need a name and what there is to narrow to; a label that is gone shows nothing and breaks nothing" do
    expect(refusal { save(" ") }).to have_attributes(code: "name_missing", field: "name")
    expect(refusal { save("x", look: "cloud") }).to have_attributes(code: "bad_look", field: "look")
    expect(refusal { save("x", narrowing: { "stages" => "nearly" }) }).to have_attributes(field: "stages")
    save("Gone", narrowing: { "labels" => SecureRandom.uuid })
    expect(found.first).to include(name: "Gone", count: 0)
    29.times { |n| save("View #{n}") }
    expect(refusal { save("One more") }.code).to eq "too_many_views"
  end
end
