# frozen_string_literal: true

RSpec.describe AskFirst::Core::Signoff::NotAsked do
  let(:ticker) { { name: "Ticker", archived_at: nil } }
  let(:old) { { name: "Old page", archived_at: Time.utc(2026, 9, 1) } }
  let(:step) { Struct.new(:name).new("The client's yes") }

  def why(channels: 2, unsent: [ticker], waits_at: nil)
    described_class.why(channels: channels, unsent: unsent, waits_at: waits_at)
  end

  it "a post on no channel, one that is out, and one with all its yeses are not asked for" do
    expect(why(channels: 0, unsent: [])).to eq "It has no channel yet. Choose one."
    expect(why(unsent: [])).to eq "It is out."
    expect(why).to eq "It has all its yeses."
  end

  it "one whose channels were archived is not, as long as none of the others is left" do
    expect(why(unsent: [old])).to eq AskFirst::Core::Channels::Archived.sentence(old)
    expect(why(unsent: [old, ticker])).to eq "It has all its yeses."
  end

  it "what is asked exactly as it stands is not asked twice" do
    expect(why(waits_at: step)).to start_with "It is asked already at “The client's yes”, exactly as it stands."
  end

  it "a fault on every channel is in the way, and one channel without any does not wait for the others" do
    expect(described_class.in_the_way([["Ticker", ["Too long.", "No link."]], ["Vitrine", ["No picture."]]])).to eq(
      "Ticker: Too long. No link. Vitrine: No picture."
    )
    expect(described_class.in_the_way([["Town", ["Too long."]], ["Town", []]])).to be_nil
  end
end
