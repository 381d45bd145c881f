# frozen_string_literal: true

RSpec.describe "Labels" do
  let(:client) { fresh_client }
  let!(:ticker) { connected(client) }

  def post(*names)
    plain_post(client, ticker, wall: "2026-11-03T09:00").tap do |id|
      world.act("Posts::SetLabels", :ines, client, post_id: id, names: names)
    end
  end

  def labels = db[:labels].where(workspace_id: world.workspace(client), merged_into: nil).select_hash(:name, :id)

  def change(name, who: :ines, **more)
    looks = { name: name, initials: "", colour: "ink", parent_id: nil }.merge(more)
    world.act("Campaigns::UpdateLabel", who, client, label_id: labels.fetch(name), **looks)
  end

  def merge(from, into) =
    world.act("Campaigns::MergeLabels", :ines, client, label_id: labels.fetch(from), into: labels.fetch(into))

  def on(post)
    ids = db[:post_labels].where(post_id: post).select(:label_id)
    db[:labels].where(id: ids).order(:name).select_map(:name)
  end

  def shown(narrowed)
    filter = AskFirst::Core::Plan::Filter.read(narrowed)
    month = AskFirst::App::Plan::Period.month(world.environment, scope_of(client), month: "2026-11", filter: filter)
    month[:lines].map { |line| line[:post_id] }
  end

  it "are renamed everywhere, with a colour and a initials" do
    one = post("Place")
    change("Place", name: "Places", initials: "Pl", colour: "moss")
    expect(on(one)).to eq ["Places"]
    expect(world.act("Campaigns::LabelList", :ines, client)[:labels].first).to include(
      name: "Places",
      initials: "Pl",
      colour: "moss",
      posts: 1
    )
    post("Other")
    expect(refusal { change("Other", name: "places") }).to have_attributes(code: "label_there", field: "name")
  end

  it "stand below one another by one level, and what is narrowed to the upper one has the lower too" do
    one = post("Service")
    two = post("Times")
    change("Times", parent_id: labels["Service"])
    expect(shown("labels" => labels["Service"])).to match_array [one, two]
    expect(shown("labels" => labels["Times"])).to eq [two]
    post("Prices")
    expect(refusal { change("Prices", parent_id: labels["Times"]) }.code).to eq "too_deep"
    expect(refusal { change("Service", parent_id: labels["Prices"]) }.code).to eq "too_deep"
    # the database says so too
    expect { db[:labels].where(id: labels["Service"]).update(parent_id: labels["Prices"]) }.to raise_error(
      Sequel::ForeignKeyConstraintViolation
    )
  end

  it "merged, carry over to the one that stays: on posts, marks, in mixes, and in views that name them" do
    one = post("Place")
    both = post("Place", "Places")
    old = labels["Place"]
    cell = { "day" => "2026-11-05", "channel_id" => ticker, "label_id" => old }
    world.act("Plan::UpdateMarks", :ines, client, put: [cell])
    targets = [{ "label_id" => old, "percent" => 20 }, { "label_id" => labels["Places"], "percent" => 30 }]
    world.act("Campaigns::WantMix", :ines, client, targets: targets)
    expect(merge("Place", "Places")).to eq 2
    expect([on(one), on(both)]).to eq [["Places"], ["Places"]]
    expect(db[:pencil_marks].where(channel_id: ticker).get(:label_id)).to eq labels["Places"]
    mix = db[:mix_targets].where(workspace_id: world.workspace(client)).select_map(%i[label_id percent])
    expect(mix).to eq [[labels["Places"], 50]]
    expect(shown("labels" => old)).to match_array [one, both]
    choices = AskFirst::App::Plan::Choices.call(scope_of(client))[:labels]
    expect(choices.map { |label| [label[:name], label[:merged]] }).to eq [["Places", [old]]]
    expect(
      refusal do
        world.act("Campaigns::UpdateLabel", :ines, client, label_id: old, name: "x", initials: "", colour: "ink")
      end
    ).to be_a(AskFirst::Core::NotFound)
  end

  it "merged, carry fixtures over; and one that stood below it takes its place" do
    post("Service", "Times", "Prices")
    old = labels["Service"]
    %w[Times Prices].each { |name| change(name, parent_id: old) }
    fixture = { word: "Market", rule: "FREQ=WEEKLY", first: "2026-11-05", label_id: old }
    id = world.act("Plan::SaveFixture", :ines, client, fixture: fixture, channel_ids: [ticker])
    merge("Service", "Times")
    expect(db[:fixtures].where(id: id).get(:label_id)).to eq labels["Times"]
    parents = db[:labels].where(workspace_id: world.workspace(client), merged_into: nil).select_hash(:name, :parent_id)
    expect(parents).to eq("Times" => nil, "Prices" => labels["Times"])
  end

  it "merged one after the other, lead to the last one; the name is free again" do
    one = post("A")
    post("B", "C")
    first = labels["A"]
    merge("A", "B")
    merge("B", "C")
    expect(shown("labels" => first)).to include(one)
    expect(on(post("A"))).to eq ["A"]
  end

  it "are ordered by who may: not by a designer, not by who is limited to channels" do
    post("Place")
    limited = limited_to(ticker)
    merge = { label_id: labels["Place"], into: labels["Place"] }
    expect(refusal { AskFirst::App::Campaigns::MergeLabels.call(world.environment, limited, **merge) }).to be_a(
      AskFirst::Core::Refused
    )
    expect(refusal { world.act("Campaigns::MergeLabels", :ines, client, **merge) }.code).to eq "same_label"
  end
end
