# frozen_string_literal: true

RSpec.describe "Changing a client's sign-off route" do
  let(:client) { fresh_client }

  def step(**more)
    {
      "name" => "Read",
      "side" => "internal",
      "quorum" => "any",
      "n" => nil,
      "hours" => 8,
      "required" => true,
      "four_eyes" => true,
      "people" => [world.person(:bram)]
    }.merge(more.transform_keys(&:to_s))
  end

  def change(steps, **more) = change_route(client, steps, **more)

  it "shows the presets, the steps of today, and who could answer where" do
    here = route_here(client)
    expect(here[:presets].map { |one| one[:key] }).to eq %w[colleague_client client copy_lead_client colleague none]
    expect(here[:steps]).to be_empty
    expect(here[:able]["internal"].map { |one| one[:name] }).to match_array ["Ines Calloway", "Bram Teodoro"]
    expect(here[:able]["client"]).to be_empty
  end

  it "while a client is set up, is its lead's; later it takes the ability for it" do
    change([step])
    expect(route_here(client)[:steps].map { |one| one[:name] }).to eq ["Read"]
    world.act("Clients::GoOnSettingUp", :ines, client, step: nil)
    db[:agencies].update(leads_change_route: false)
    expect { change([step(name: "Again")]) }.to raise_error(AskFirst::Core::Refused) { |error|
      expect(error.way_on).to include "Bram Teodoro"
    }
    change([step(name: "Again")], who: :bram)
    expect(route_here(client)[:steps].map { |one| one[:name] }).to eq ["Again"]
    expect(db[:record].where(workspace_id: world.workspace(client), act: "route_changed").count).to eq 2
  ensure
    db[:agencies].update(leads_change_route: true)
  end

  it "two at once: the second is told, and nothing of the first is lost" do
    seen = route_here(client)[:version]
    change([step(name: "First")], seen: seen)
    expect { change([step(name: "Second")], who: :bram, seen: seen) }.to raise_error(AskFirst::Core::Conflict) { |error|
      expect([error.code, error.facts["seen"]]).to eq ["route_changed", route_here(client)[:version]]
    }
    expect(route_here(client)[:steps].first[:name]).to eq "First"
  end

  it "a post that is drafting passes the new steps; one that was asked keeps what it was asked for" do
    change([step])
    channel = world.act("Channels::AddOffline", :ines, client, name: "Leaflet", initials: "L", limit: 100, pictures: 1)
    asked = plain_post(client, channel)
    drafting = plain_post(client, channel)
    world.ask(asked, 0, client: client)
    change([step(name: "Lead", people: [world.person(:ines)]), step(name: "Owner")])
    expect(world.post_state(drafting, client).adaptations.first.verdict.waits_at.name).to eq "Lead"
    world.answer(asked, :bram, client: client)
    names =
      db[:ask_lines].where(post_id: asked).join(:asks, id: :ask_id).join(:route_steps, id: :step_id).select_map(:name)
    expect(names).to eq ["Read"]
    expect(world.stage(asked)).not_to eq "cleared"
  end

  it "says which step is wrong and why, and changes nothing" do
    {
      { hours: 0 } => "bad_hours",
      { quorum: "most" } => "bad_quorum",
      { quorum: "n", n: 0 } => "bad_quorum",
      { quorum: "n", n: 3 } => "too_few_people",
      { name: " " } => "name_missing",
      { side: "outside" } => "bad_side",
      { people: [world.person(:maro)] } => "cannot_answer",
      { side: "client", people: [world.person(:bram)] } => "cannot_answer"
    }.each do |wrong, code|
      expect { change([step, step(**wrong)]) }.to raise_error(AskFirst::Core::Invalid) { |error|
        expect([wrong, error.code, error.field, error.facts["step"]]).to eq [wrong, code, "steps", 2]
      }
    end
    expect { change(Array.new(9) { step }) }.to raise_error(AskFirst::Core::Invalid, /at most 8/)
    expect(route_here(client)[:steps]).to be_empty
  end
end
