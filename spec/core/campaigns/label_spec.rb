# frozen_string_literal: true

RSpec.describe AskFirst::Core::Campaigns::Label do
  def code(**more) = refusal { described_class.read(name: "Service", initials: "S", colour: "teal", **more) }.code

  it "has a name, two letters at most, and one of its colours" do
    expect([code(name: ""), code(initials: "abc"), code(colour: "pink")]).to eq %w[name_missing too_long bad_colour]
  end

  # WCAG 2.2, 1.4.3: text keeps 4.5:1. The formula is that of relative luminance, as Core::Clients::Contrast has it.
  it "has colours on which white letters can be read" do
    described_class::COLOURS.each_value do |colour|
      expect(AskFirst::Core::Clients::Contrast.ratio("#FFFFFF", colour)).to be >= 4.5
    end
  end
end
