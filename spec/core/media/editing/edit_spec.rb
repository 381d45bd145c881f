# frozen_string_literal: true

# Editing a picture: what each step makes of its size, and words that can be read. Sizes are worked by hand; contrast is
# that of WCAG 2.2 (#767676 on white is 4.54, #777777 4.48: from memory, recomputed).
RSpec.describe AskFirst::Core::Media::Edit do
  def code
    yield
    nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  let(:words) { { "text" => " Night  boat ", "colour" => "#ffffff", "ground" => "#1d5c74" } }

  it "keeps the steps that change something, in their own way of writing" do
    given = { "turn" => 0, "level" => 12, "light" => 0, "frame" => { "focus" => [500, 500] }, "words" => words }
    expect(described_class.clean(given)).to eq(
      "level" => 12,
      "words" => {
        "text" => "Night boat",
        "colour" => "#FFFFFF",
        "ground" => "#1D5C74",
        "at" => "bottom",
        "size" => 60
      }
    )
    expect(described_class.clean({ "words" => { "text" => " " } })).to eq({})
  end

  it "a quarter turn changes the sides; the cut is made after it, in exact fractions" do
    plan = ->(edit) { described_class.plan(4_000, 3_000, edit) }
    expect(plan.call({ "turn" => 90 })).to eq(
      "turned" => [3_000, 4_000],
      "levelled" => [3_000, 4_000],
      "crop" => [0, 0, 3_000, 4_000]
    )
    expect(plan.call({ "turn" => 90, "frame" => { "shape" => [1, 1] } })["crop"]).to eq [0, 500, 3_000, 3_000]
    expect(plan.call({ "frame" => { "shape" => [4, 5] } })["crop"]).to eq [800, 0, 2_400, 3_000]
    expect(plan.call({ "turn" => 180 })["turned"]).to eq [4_000, 3_000]
  end

  # A square turned by 45 degrees holds one of 1/√2 of its side. Of 400 x 300 turned by 10: across is 400 cos 10 + 300
  # sin 10 = 446.0, down 400 sin 10 + 300 cos 10 = 364.9; the smaller share is 300 / 364.9 = 0.8221.
  it "what is levelled keeps its shape and loses its corners" do
    expect(described_class.levelled(1_000, 1_000, 450)).to eq [707, 707]
    expect(described_class.levelled(400, 300, 100)).to eq [328, 246]
    expect(described_class.levelled(400, 300, -100)).to eq [328, 246]
    expect(described_class.levelled(400, 300, 0)).to eq [400, 300]
  end

  it "words stand out from their ground as large words must" do
    said = ->(colour, ground) do
      code { described_class.clean({ "words" => words.merge("colour" => colour, "ground" => ground) }) }
    end
    expect(said.call("#949494", "#FFFFFF")).to be_nil # 3.03
    expect(said.call("#969696", "#FFFFFF")).to eq %w[low_contrast words] # 2.96
    expect(described_class.contrast({ "colour" => "#767676", "ground" => "#FFFFFF" })).to be_within(0.005).of(4.54)
    expect(described_class.contrast({ "colour" => "#777777", "ground" => "#FFFFFF" })).to be_within(0.005).of(4.48)
    expect(described_class.contrast({ "colour" => "#000000", "ground" => "#FFFFFF" })).to be_within(0.001).of(21)
  end

  it "says at its step what cannot be" do
    {
      { "turn" => 45 } => %w[bad_edit turn],
      { "level" => 151 } => %w[bad_edit level],
      { "light" => 1.5 } => %w[bad_edit light],
      { "contrast" => "10" } => %w[bad_edit contrast],
      { "blur" => 3 } => %w[bad_edit edit],
      { "frame" => { "zoom" => 50 } } => %w[bad_frame framing],
      { "words" => { "text" => "x", "colour" => "red", "ground" => "#FFFFFF" } } => %w[bad_colour words],
      { "words" => { "text" => "x" * 121, "colour" => "#000000", "ground" => "#FFFFFF" } } => %w[too_long words]
    }.each { |edit, error| expect(code { described_class.clean(edit) }).to eq(error), edit.to_s }
  end
end
