# frozen_string_literal: true

# Who is asked, and which places that makes: the rules of the house, with the refusals in their words.
RSpec.describe AskFirst::Core::Signoff::Places do
  let(:names) { { "odile" => "Odile", "per" => "Per", "wren" => "Wren", "ines" => "Ines" } }

  def step(quorum, people, n: nil, four_eyes: true)
    AskFirst::Core::Signoff::Step.new(
      id: "s",
      position: 0,
      name: "Client",
      side: "client",
      quorum: quorum,
      n: n,
      required: true,
      four_eyes: four_eyes,
      people: people,
      hours: 8
    )
  end

  def places(step, asker: "maro", **around)
    described_class.of(step, asker: asker, around: described_class::Around.new(**around), names: names)
  end

  def refused_with(...)
    refusal { places(...) }&.message
  end

  it "any makes one open place, n makes n, all makes one for each named person" do
    expect(places(step("any", %w[odile per])).to_a).to eq [nil]
    expect(places(step("n", %w[odile per wren], n: 2)).to_a).to eq [nil, nil]
    expect(places(step("all", %w[odile per])).to_a).to eq %w[odile per]
  end

  it "whoever asks is left out only as long as enough others remain" do
    expect(places(step("any", %w[wren ines]), asker: "ines").people).to eq ["wren"]
    expect(places(step("n", %w[wren ines odile], n: 2), asker: "ines").people).to eq %w[wren odile]
    expect(places(step("n", %w[wren ines], n: 2), asker: "ines").people).to eq %w[wren ines]
    expect(places(step("all", %w[wren ines]), asker: "ines").people).to eq %w[wren ines]
    expect(places(step("any", ["ines"]), asker: "ines").people).to eq ["ines"]
  end

  it "whoever is away is stood in for; without a stand-in left out as long as enough others remain" do
    expect(places(step("any", %w[odile per]), away: { "odile" => "wren" }).people).to eq %w[wren per]
    expect(places(step("any", %w[odile per]), away: { "odile" => nil }).people).to eq ["per"]
    expect(places(step("any", ["odile"]), away: { "odile" => nil }).people).to eq ["odile"]
    expect(places(step("all", %w[odile per]), away: { "odile" => "wren" }).to_a).to eq %w[wren per]
    expect(places(step("all", %w[odile per]), away: { "odile" => nil }).to_a).to eq %w[odile per]
  end

  it "a stand-in who may not answer there stands in for nobody" do
    expect(places(step("any", %w[odile per]), away: { "odile" => "wren" }, able: %w[odile per]).people).to eq ["per"]
  end

  it "two places need two people: a stand-in with a place of their own takes no second one" do
    expect(
      refused_with(step("all", %w[odile per]), away: { "per" => "odile" })
    ).to eq "Per is away, and Odile cannot take a second place beside their own."
    expect(refused_with(step("n", %w[odile per], n: 2), away: { "per" => "odile" })).to start_with "Per is away"
    expect(
      refused_with(step("all", %w[odile per]), away: { "odile" => "wren", "per" => "wren" })
    ).to eq "Odile and Per are away, and Wren cannot take a second place beside the first."
    expect(places(step("any", %w[odile per]), away: { "per" => "odile" }).people).to eq ["odile"]
  end

  it "authors clear nothing (four eyes), nor do they stand in; where the route allows it they do" do
    expect(places(step("any", %w[wren ines]), authors: ["wren"]).people).to eq ["ines"]
    expect(
      refused_with(step("any", %w[wren ines]), authors: %w[wren ines])
    ).to eq "Wren and Ines wrote part of this and cannot clear it (four eyes)."
    expect(refused_with(step("all", %w[wren ines]), authors: ["wren"])).to start_with "Wren wrote part of this"
    expect(
      refused_with(step("all", %w[odile per]), away: { "per" => "wren" }, authors: ["wren"])
    ).to start_with "Wren wrote part of this"
    expect(places(step("all", %w[wren ines], four_eyes: false), authors: %w[wren ines]).people).to eq %w[wren ines]
  end

  it "is refused when there are fewer people than places, and when nobody is named" do
    expect(refused_with(step("n", %w[odile per], n: 3))).to eq "“Client” needs 3 people, and 2 can be asked."
    expect(refused_with(step("any", []))).to eq "Nobody is named for “Client”."
    expect(refused_with(step("all", []))).to eq "Nobody is named for “Client”."
    expect(
      refused_with(step("all", %w[odile per]), able: ["odile"])
    ).to eq "Per cannot answer here any more, or not on these channels."
  end
end
