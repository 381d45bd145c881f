# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::InWords do
  def say(key, value) = described_class.of(key, value)

  it "says nothing of nothing" do
    %w[link link_card tagged first_comment call_to_action format audience event budget].each do |key|
      [nil, "", [], {}].each { |none| expect(say(key, none)).to be_nil }
    end
  end

  it "says a format as people call it" do
    expect(say("format", "pictures")).to eq "several pictures"
    expect(say("format", "poem")).to eq "poem" # kept by an earlier table, and still readable
  end

  it "says a budget in its currency's own digits (ISO 4217)" do
    expect(say("budget", { "minor" => 4_050, "currency" => "EUR" })).to eq "EUR 40.50"
    expect(say("budget", { "minor" => 4_050, "currency" => "JPY" })).to eq "JPY 4050"
    expect(say("budget", { "minor" => 4_050, "currency" => "KWD" })).to eq "KWD 4.050"
  end

  it "says an audience by place and by language" do
    expect(say("audience", { "places" => %w[Lisbon Almada], "languages" => ["pt"] })).to eq "Lisbon, Almada; in pt"
    expect(say("audience", { "places" => ["Lisbon"] })).to eq "Lisbon"
    expect(say("audience", { "places" => [], "languages" => %w[pt en] })).to eq "pt, en"
  end

  it "says an event with its day once when it ends on the same one" do
    event = {
      "name" => "Pier fair",
      "place" => "Pier 2",
      "starts" => "2026-10-20T10:00:00",
      "ends" => "2026-10-20T18:30:00",
      "zone" => "Europe/Lisbon"
    }
    expect(say("event", event)).to eq "Pier fair, Pier 2, Tue 20 Oct 2026, 10:00 to 18:30"
    expect(
      say("event", event.merge("ends" => "2026-10-21T01:00:00", "place" => ""))
    ).to eq "Pier fair, Tue 20 Oct 2026, 10:00 to Wed 21 Oct 2026, 1:00"
    expect(say("event", event.merge("ends" => nil))).to eq "Pier fair, Pier 2, Tue 20 Oct 2026, 10:00"
  end

  it "says who is tagged, on which picture and where" do
    expect(
      say(
        "tagged",
        [
          { "id" => "@per", "media" => 0, "x" => 500, "y" => 255 },
          { "id" => "@odile", "media" => 1, "x" => 0, "y" => 1000 }
        ]
      )
    ).to eq "@per on picture 1 at 50 and 25.5 %, @odile on picture 2 at 0 and 100 %"
  end

  it "says a link card, and by its digest which picture it has" do
    expect(say("link_card", { "title" => "The lamp", "words" => "Lit at six" })).to eq "The lamp: Lit at six"
    expect(
      say("link_card", { "title" => "The lamp", "words" => "", "picture" => "3f2a1b9c77aa" })
    ).to eq "The lamp, picture 3f2a1b9c"
    expect(say("link_card", { "title" => "", "words" => "", "picture" => "3f2a1b9c77aa" })).to eq "picture 3f2a1b9c"
  end

  it "says what is text as it stands" do
    expect(say("first_comment", "More below")).to eq "More below"
    expect(say("link", "https://quillmere.example/lamp?a=1")).to eq "https://quillmere.example/lamp?a=1"
  end

  # Two settings that differ must not read alike, or a comparison would show a change as none.
  it "never says two different settings alike (property)" do
    random = Random.new(20_261_125)
    tags =
      Array
        .new(300) do
          [
            {
              "id" => "@#{%w[per odile].sample(random: random)}",
              "media" => random.rand(3),
              "x" => random.rand(0..1000),
              "y" => random.rand(0..1000)
            }
          ]
        end
        .uniq
    expect(tags.map { |one| say("tagged", one) }.uniq.size).to eq tags.size
    budgets =
      %w[EUR JPY KWD]
        .product(Array.new(100) { random.rand(1..1_000_000) })
        .map { |currency, minor| { "minor" => minor, "currency" => currency } }
        .uniq
    expect(budgets.map { |one| say("budget", one) }.uniq.size).to eq budgets.size
  end
end
