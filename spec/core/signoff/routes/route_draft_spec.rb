# frozen_string_literal: true

RSpec.describe AskFirst::Core::Signoff::RouteDraft do
  let(:known) do
    described_class::Known.new(
      able: {
        "internal" => %w[wren ines],
        "client" => %w[odile]
      },
      roles: {
        "reviewers" => "internal",
        "approvers" => "client"
      },
      labels: %w[times],
      channels: %w[ticker]
    )
  end
  let(:step) { { "name" => "Read", "side" => "internal", "quorum" => "any", "hours" => 8, "people" => ["wren"] } }

  def refusal(**change)
    described_class.clean([step, step.merge(change.transform_keys(&:to_s))], known)
    nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field, e.facts["step"]]
  end

  it "takes steps, required and with four eyes unless said otherwise" do
    expect(described_class.clean([step], known)).to eq [
         {
           id: nil,
           name: "Read",
           side: "internal",
           people: ["wren"],
           roles: [],
           hours: 8,
           required: true,
           four_eyes: true,
           condition: nil,
           quorum: "any",
           n: nil
         }
       ]
    expect(described_class.clean([], known)).to eq [] # a route may be empty
  end

  {
    { name: " " } => "name_missing",
    { side: "sideways" } => "bad_side",
    { hours: 0 } => "bad_hours",
    { hours: "8" } => "bad_hours",
    { quorum: "most" } => "bad_quorum",
    { quorum: "n", n: 0 } => "bad_quorum",
    { quorum: "n", n: 2 } => "too_few_people",
    { people: ["odile"] } => "cannot_answer",
    { roles: ["approvers"] } => "bad_role",
    { condition: { "labels" => ["gone"] } } => "bad_condition",
    { condition: { "channels" => ["gone"] } } => "bad_condition",
    { condition: { "formats" => ["dance"] } } => "bad_condition",
    { condition: { "channels" => ["ticker"], "proposes" => "times_or_prices" } } => "bad_condition",
    { condition: { "budget" => { "minor" => -1, "currency" => "EUR" } } } => "bad_budget"
  }.each do |change, code|
    it "#{change} is refused, naming the step" do
      expect(refusal(**change)).to eq [code, "steps", 2]
    end
  end

  it "takes what lies at its edges, and not what lies beyond" do
    taken = ->(**change) { described_class.clean([step.merge(change.transform_keys(&:to_s))], known).first }
    expect(taken.call(hours: 1_000)[:hours]).to eq 1_000
    expect(refusal(hours: 1_001)).to eq ["bad_hours", "steps", 2]
    expect(taken.call(hours: 0.5)[:hours]).to eq 0.5
    expect(taken.call(name: "a" * 60)[:name].length).to eq 60
    expect(refusal(name: "a" * 61)).to eq ["too_long", "steps", nil]
    expect(refusal(name: { "en" => "Read" })).to eq ["not_text", "steps", nil]
    expect(taken.call(quorum: "n", n: 2, people: %w[wren ines])).to include(quorum: "n", n: 2)
    expect(taken.call(quorum: "n", n: 5, people: [])).to include(n: 5) # whoever is there when it is asked
    expect(refusal(quorum: "n", n: 1.5)).to eq ["bad_quorum", "steps", 2]
    expect(taken.call(people: %w[wren wren])[:people]).to eq ["wren"]
    expect(taken.call(people: nil)[:people]).to eq []
    expect(described_class.clean([step] * 8, known).size).to eq 8
  end

  it "the presets that ship can be taken as they are" do
    AskFirst::Core::Signoff::RoutePresets::ALL.each_value do |_, preset|
      steps = preset.map { |name, side| step.merge("name" => name, "side" => side, "people" => []) }
      expect(described_class.clean(steps, known).size).to eq preset.size
    end
    expect { described_class.clean([step] * 9, known) }.to raise_error(AskFirst::Core::Invalid, /at most 8/)
  end
end
