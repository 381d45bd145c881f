# frozen_string_literal: true

RSpec.describe AskFirst::Core::Media::FilmEdit do
  it "keeps what changes something and leaves out the rest" do
    expect(described_class.clean({ "start" => 0, "end" => 9_000, "mute" => true }, 9_000)).to eq("mute" => true)
    expect(described_class.clean({ "start" => 1_000, "end" => 2_000 }, 9_000)).to eq("start" => 1_000, "end" => 2_000)
  end

  it "leaves a second, and of a shorter film all of it" do
    expect { described_class.clean({ "end" => 999 }, 9_000) }.to raise_error(
      AskFirst::Core::Invalid,
      /Less than a second/
    )
    expect(described_class.clean({ "mute" => true }, 400)).to eq("mute" => true)
  end
end
