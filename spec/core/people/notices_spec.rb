# frozen_string_literal: true

RSpec.describe AskFirst::Core::People::Notices do
  def at(text, zone = "Europe/Lisbon")
    AskFirst::Core::Plan::WallTime.parse(text, zone).at
  end
  let(:morning) { at("2026-10-14T10:20") }

  it "at once is now, not is never, the digest is the person's next 8:00" do
    expect(described_class.due_at("at_once", morning, "Europe/Lisbon", nil)).to eq morning
    expect(described_class.due_at("not", morning, "Europe/Lisbon", nil)).to be_nil
    expect(described_class.due_at("digest", morning, "Europe/Lisbon", nil)).to eq at("2026-10-15T08:00")
    expect(described_class.due_at("digest", morning, "America/Denver", nil)).to eq at(
         "2026-10-14T08:00",
         "America/Denver"
       )
  end

  it "in quiet hours what is told at once waits until they end, also over midnight" do
    quiet = %w[20:00 07:00]
    expect(described_class.due_at("at_once", at("2026-10-14T23:10"), "Europe/Lisbon", quiet)).to eq at(
         "2026-10-15T07:00"
       )
    expect(described_class.due_at("at_once", at("2026-10-15T06:59"), "Europe/Lisbon", quiet)).to eq at(
         "2026-10-15T07:00"
       )
    expect(described_class.due_at("at_once", at("2026-10-15T07:00"), "Europe/Lisbon", quiet)).to eq at(
         "2026-10-15T07:00"
       )
    expect(described_class.due_at("at_once", morning, "Europe/Lisbon", %w[10:00 11:00])).to eq at("2026-10-14T11:00")
    expect(described_class.due_at("at_once", at("2026-10-14T09:59"), "Europe/Lisbon", %w[10:00 11:00])).to eq at(
         "2026-10-14T09:59"
       )
    expect(described_class.due_at("at_once", at("2026-10-14T11:00"), "Europe/Lisbon", %w[10:00 11:00])).to eq at(
         "2026-10-14T11:00"
       )
  end

  it "what must be answered is never turned off" do
    expect { described_class.clean("asked" => "not") }.to raise_error(AskFirst::Core::Invalid) { |error|
      expect(error.code).to eq "must_be_told"
    }
    expect(described_class.clean("asked" => "digest", "task" => "not")).to eq("asked" => "digest", "task" => "not")
    expect { described_class.clean("smell" => "not") }.to raise_error(AskFirst::Core::Invalid)
    expect { described_class.clean("task" => "hourly") }.to raise_error(AskFirst::Core::Invalid)
  end

  it "every kind has a default and a sentence" do
    expect(described_class::DEFAULT.keys).to match_array described_class::KINDS.keys
    expect(described_class.choice({}, "trouble")).to eq "at_once"
  end
end
