# frozen_string_literal: true

RSpec.describe AskFirst::Core::Dispatch::Outcome do
  # RFC 9110: POST is not idempotent (9.2.2), so only what surely was not taken may be repeated.
  {
    [201, "https://n.example/1"] => :out,
    [201, nil] => :unclear,
    [202, "https://n.example/1"] => :unclear,
    [200, nil] => :unclear,
    [400, nil] => :refused,
    [403, nil] => :refused,
    [422, nil] => :refused,
    [401, nil] => :lapsed,
    [408, nil] => :unclear,
    [429, nil] => :busy,
    [500, nil] => :unclear,
    [502, nil] => :unclear,
    [503, nil] => :unclear,
    [504, nil] => :unclear,
    [nil, nil] => :unclear
  }.each do |(status, location), kind|
    it "takes #{status || "no reply"}#{" without an address" if status == 201 && location.nil?} as #{kind}" do
      expect(described_class.of(status, location: location).kind).to eq kind
    end
  end

  it "has an address only where the post is out, and says when it may be tried again" do
    expect(described_class.of(201, location: "https://n.example/1").address).to eq "https://n.example/1"
    [400, 401, 408, 429, 503, nil].each do |status|
      expect(described_class.of(status, location: "https://n.example/1").address).to be_nil
    end
    expect(described_class.of(429, retry_after: 30, note: "busy")).to have_attributes(
      kind: :busy,
      retry_after: 30,
      note: "busy"
    )
  end

  # Every 4xx but the three that have a meaning of their own is final; no other status is (RFC 9110, 15).
  it "knows each status that there can be" do
    kinds = (100..599).group_by { |status| described_class.of(status, location: "https://n.example/1").kind }
    expect(kinds.slice(:out, :lapsed, :busy)).to eq(out: [201], lapsed: [401], busy: [429])
    expect(kinds[:refused]).to eq((400..499).to_a - [401, 408, 429])
    expect(kinds[:unclear]).to eq((100..399).to_a - [201] + [408] + (500..599).to_a)
  end

  it "reads Retry-After as seconds or as a date (RFC 9110, 10.2.3)" do
    now = Time.utc(2026, 10, 14, 9, 20)
    expect(described_class.retry_after("120", now)).to eq 120
    expect(described_class.retry_after("Wed, 14 Oct 2026 09:21:30 GMT", now)).to eq 90
    expect(described_class.retry_after("Wed, 14 Oct 2026 09:00:00 GMT", now)).to eq 0
    expect(described_class.retry_after("soon", now)).to be_nil
  end
end

RSpec.describe AskFirst::Core::Dispatch::Patience do
  it "waits longer each time, with jitter, and never more than a little over five minutes" do
    waits = (1..12).map { |tries| described_class.wait(tries, random: Random.new(tries)) }
    expect(waits.first).to be_between(1.5, 2.5)
    expect(waits.last).to be_between(225, 375)
    expect(described_class.wait(4, random: Random.new(1))).not_to eq described_class.wait(4, random: Random.new(2))
  end

  # RFC 6298 (2.5) has the doubling; the jitter is common practice, no source
  it "doubles from two seconds to five minutes" do
    middle = Struct.new(:rand).new(0.5)
    expect((1..10).map { |tries| described_class.wait(tries, random: middle) }).to eq [
         2,
         4,
         8,
         16,
         32,
         64,
         128,
         256,
         300,
         300
       ]
    expect([0.0, 1.0].map { |edge| described_class.wait(1, random: Struct.new(:rand).new(edge)) }).to eq [1.5, 2.5]
  end

  it "gives up half an hour after the planned time" do
    at = Time.utc(2026, 10, 14, 9)
    expect(described_class.too_late?(at, at + 1800)).to be false
    expect(described_class.too_late?(at, at + 1801)).to be true
  end
end

RSpec.describe AskFirst::Core::Dispatch::SendId do
  it "is the same for every try of a showing and differs between showings" do
    # A pinned value, recomputed with sha256sum: a release of this program that derived another id could send a post
    # twice.
    expect(described_class.for("0192f000-0000-7000-8000-000000000001")).to eq "af-14841b03916356a063e7641f2dff72c8"
    expect(described_class.for("a")).to eq described_class.for("a")
    expect(described_class.for("a")).not_to eq described_class.for("b")
  end
end

RSpec.describe AskFirst::Core::Dispatch::Likeness do
  let(:approved) { { "text" => "Fog on\nthe estuary", "media" => [{}, {}] } }

  def seen(text: "Fog on the  estuary ", media: [%w[a true], %w[b true]])
    described_class.of(
      approved,
      {
        "text" => text,
        "media" =>
          media.map do |address, loads|
            { "address" => address, "loads" => { "true" => true, "false" => false }[loads] }
          end
      }
    )
  end

  it("is the same after folding white space") { expect(seen.kind).to eq "same" }
  it("differs in a letter") { expect(seen(text: "Fog on the Estuary").note).to include "text" }
  it("says that pictures never arrived") do
    expect(seen(media: []).note).to eq "The post is there, its pictures are not."
  end
  it("says how many of them are there") { expect(seen(media: [%w[a true]]).note).to eq "1 of 2 pictures are there." }
  it("notices two files under one address") do
    expect(seen(media: [%w[a true], %w[a true]]).note).to include "one address"
  end
  it("notices a picture that does not load") do
    expect(seen(media: [%w[a true], %w[b false]]).note).to include "do not load"
  end
  it("cannot tell when a picture could not be looked at") do
    expect(seen(media: [%w[a true], %w[b nil]]).kind).to eq "cannot_tell"
  end
  it "says it of one picture as of one" do
    approved["media"].pop
    expect(seen(media: []).note).to eq "The post is there, its picture is not."
    expect(seen(media: [%w[a false]]).note).to eq "1 of 1 pictures do not load."
  end

  it "says all that differs, and then not that something could not be looked at" do
    found = seen(text: "Other", media: [%w[a nil]])
    expect(found).to have_attributes(
      kind: "differs",
      note: "The text there is not what was approved. 1 of 2 pictures are there."
    )
  end

  describe "a link card" do
    def with_card(wanted, there)
      described_class.of(
        { "text" => "Fog", "media" => [], "link_card" => wanted },
        { "text" => "Fog", "media" => [], "link_card" => there }
      )
    end

    it "is what somebody put there, but for white space" do
      expect(
        with_card(
          { "title" => "The lamp", "words" => "Lit at six" },
          { "title" => "The  lamp ", "words" => "Lit\nat six" }
        ).kind
      ).to eq "same"
    end

    it "differs in its title, in its words, or by not being there" do
      wanted = { "title" => "The lamp", "words" => "Lit at six" }
      [
        { "title" => "A lamp", "words" => "Lit at six" },
        { "title" => "The lamp", "words" => "Lit at seven" },
        {},
        nil
      ].each do |there|
        expect(with_card(wanted, there)).to have_attributes(
          kind: "differs",
          note: "The link card there is not what was approved."
        )
      end
    end

    it "of which nobody said anything may say what it likes: a page may change what it says of itself" do
      expect(with_card(nil, { "title" => "Anything", "words" => "" }).kind).to eq "same"
    end
  end

  it("differs when the post is not there") { expect(described_class.of(approved, nil).kind).to eq "differs" }
end
