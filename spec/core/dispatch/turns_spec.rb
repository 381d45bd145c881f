# frozen_string_literal: true

RSpec.describe AskFirst::Core::Dispatch::Turns do
  let(:turns) { described_class.new }

  it "has other work rest while posts go out, and no longer" do
    expect([[false, 0], [true, 1], [true, 5], [false, 6], [true, 7]].map { |busy, at| turns.rest?(busy, at) }).to eq(
      [false, true, true, false, true]
    )
  end

  it "lets it go on after some seconds, for as long" do
    expect([0, 14, 15, 20, 29, 30, 44, 45].map { |at| turns.rest?(true, at) }).to eq(
      [true, true, false, false, false, true, true, false]
    )
  end
end
