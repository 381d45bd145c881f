# frozen_string_literal: true

# What each part of a post takes, at its edges: what comes in is kept in one canonical form, or refused at its field
# with a code, and never half taken.
RSpec.describe AskFirst::Core::Posts::PartValues do
  def clean(part, value) = described_class.clean(part, value, now: Time.utc(2026, 10, 14))
  def refused_value(part, value) = refused_at { clean(part, value) }
  def ids(count) = Array.new(count) { |n| format("0192f000-0000-7000-8000-%012d", n) }

  let(:id) { AskFirst::Core::Uuid.v7(Time.now) }

  it "knows the parts of a post and no other" do
    expect(refused_value("colour", "red")).to eq %w[part_unknown part]
    expect(refused_value("subject", "Fog")).to eq %w[part_unknown part]
  end

  describe "text and first comment" do
    it "are normalised to NFC with LF (Unicode UAX #15)" do
      expect(clean("text", "cafe\u0301\r\nsoup\rtea")).to eq "caf\u00E9\nsoup\ntea"
      expect(clean("first_comment", "cafe\u0301")).to eq "caf\u00E9"
    end

    it "are kept up to their limit, and not one character more" do
      expect(clean("text", "a" * 100_000).length).to eq 100_000
      expect(refused_value("text", "a" * 100_001)).to eq %w[too_long text]
      expect(clean("first_comment", "a" * 5_000).length).to eq 5_000
      expect(refused_value("first_comment", "a" * 5_001)).to eq %w[too_long first_comment]
    end

    it "say how many characters there are when there are too many" do
      expect(refusal { clean("text", "a" * 200_000) }.message).to include("200000 characters", "100000")
    end

    it "refuse a lone surrogate, as JSON can carry one" do
      expect(refused_value("text", "half \xED\xA0\xBD of a pair")).to eq %w[bad_characters text]
    end

    it "refuse control characters, but keep tab and line break" do
      ["a\u0000b", "a\u0008b", "a\u000Bb", "a\u001Fb", "a\u007Fb", "a\u0085b", "a\u009Fb"].each do |bad|
        expect([bad, refused_value("text", bad)]).to eq [bad, %w[bad_characters text]]
      end
      expect(clean("text", "a\tb\nc")).to eq "a\tb\nc"
      expect(refusal { clean("text", "a\u0000b") }.message).to include "U+0000"
    end

    it "keep what is not seen but belongs to a script: direction marks, joiners, zero-width space" do
      text = "\u200Fשלום\u200E a\u200Db\u200Bc \u{1F469}\u200D\u{1F680}"
      expect(clean("text", text)).to eq text
    end

    it "are text, and nothing that could be made into some" do
      [nil, 7, ["a"], { "a" => 1 }, true].each do |bad|
        expect([bad, refused_value("text", bad)]).to eq [bad, %w[not_text text]]
      end
    end
  end

  describe "media" do
    it "are a list of different files, in their order" do
      two = ids(2).reverse
      expect(clean("media", two)).to eq two
      expect(clean("media", [])).to eq []
      expect(refused_value("media", [id, id])).to eq %w[bad_media media]
    end

    it "are twenty at most" do
      expect(clean("media", ids(20)).size).to eq 20
      expect(refused_value("media", ids(21))).to eq %w[bad_media media]
    end

    it "are named by an id, each of them" do
      [nil, id, {}, ["../../etc/passwd"], [id, 7], [id.upcase], ["#{id}\n"], [id, nil]].each do |bad|
        expect([bad, refused_value("media", bad)]).to eq [bad, %w[bad_media media]]
      end
    end
  end

  describe "descriptions and framing" do
    it "are kept by the file that they belong to" do
      expect(clean("descriptions", { id => "A boat, e\u0301" })).to eq(id => "A boat, \u00E9")
      expect(clean("framing", { id => { "focus" => [200, 300], "zoom" => 150 } })).to eq(
        id => {
          "focus" => [200, 300],
          "zoom" => 150
        }
      )
      expect(clean("descriptions", {})).to eq({})
    end

    it "may stay with the post for files that are not in it any more, up to five times as many" do
      expect(clean("descriptions", ids(100).to_h { |one| [one, "x"] }).size).to eq 100
      expect(refused_value("descriptions", ids(101).to_h { |one| [one, "x"] })).to eq %w[bad_descriptions descriptions]
    end

    it "belong to files, and to nothing else" do
      expect(refused_value("descriptions", { "boat" => "x" })).to eq %w[bad_descriptions descriptions]
      expect(refused_value("descriptions", { id => "x", "boat" => "x" })).to eq %w[bad_descriptions descriptions]
      expect(refused_value("descriptions", [id])).to eq %w[bad_descriptions descriptions]
      expect(refused_value("framing", { "boat" => {} })).to eq %w[bad_framing framing]
    end

    it "are described in two thousand characters at most" do
      expect(clean("descriptions", { id => "a" * 2_000 })[id].length).to eq 2_000
      expect(refused_value("descriptions", { id => "a" * 2_001 })).to eq %w[too_long descriptions]
      expect(refused_value("descriptions", { id => 5 })).to eq %w[not_text descriptions]
    end

    it "are framed inside the picture, at one to four times its size" do
      [{ "focus" => [0, 1000] }, { "zoom" => 400 }, { "shape" => [4, 5] }].each do |good|
        expect(clean("framing", { id => good })).to eq(id => good)
      end
      [
        { "focus" => [0, 1001] },
        { "focus" => [-1, 0] },
        { "focus" => [500] },
        { "focus" => [0.5, 0] },
        { "zoom" => 401 },
        { "zoom" => 99 },
        { "shape" => [0, 5] },
        { "blur" => 1 },
        7
      ].each { |bad| expect([bad, refused_value("framing", { id => bad })]).to eq [bad, %w[bad_frame framing]] }
    end

    it "keep nothing of a frame that changes nothing" do
      expect(clean("framing", { id => { "focus" => [500, 500], "zoom" => 100, "shape" => nil } })).to eq(id => {})
    end
  end

  describe "tagged" do
    let(:tag) { { "name" => "Per", "media" => id, "x" => 0, "y" => 1000 } }

    it "stands on a spot of a picture, in thousandths of its sides" do
      expect(clean("tagged", [tag.merge("name" => " Per ")])).to eq [tag]
      [
        tag.merge("x" => 1001),
        tag.merge("y" => -1),
        tag.merge("x" => 0.5),
        tag.merge("media" => "x"),
        tag.except("media")
      ].each { |bad| expect([bad, refused_value("tagged", [bad])]).to eq [bad, %w[bad_spot tagged]] }
    end

    it "has a name" do
      ["", "  ", nil].each do |bad|
        expect(refused_value("tagged", [tag.merge("name" => bad)])).to eq %w[name_missing tagged]
      end
      expect(clean("tagged", [tag.merge("name" => "a" * 80)]).first["name"].length).to eq 80
      expect(refused_value("tagged", [tag.merge("name" => "a" * 81)])).to eq %w[too_long tagged]
      expect(refused_value("tagged", [tag.merge("name" => { "first" => "Per" })])).to eq %w[not_text tagged]
    end

    it "are fifty at most, with these fields alone" do
      expect(clean("tagged", [tag] * 50).size).to eq 50
      [[tag] * 51, [tag.merge("size" => 3)], [7], nil, tag].each do |bad|
        expect(refused_value("tagged", bad)).to eq %w[bad_list tagged]
      end
    end
  end

  describe "call to action and format" do
    it "are one of a list, and none when nothing is chosen" do
      expect(clean("call_to_action", "Learn more")).to eq "Learn more"
      expect([nil, ""].map { |none| clean("call_to_action", none) }).to eq [nil, nil]
      expect([nil, ""].map { |none| clean("format", none) }).to eq [nil, nil]
      AskFirst::Core::Posts::Formats::TABLE.each_key { |name| expect(clean("format", name)).to eq name }
    end

    it "say what there is when there is no such thing" do
      expect(refused_value("format", "poem")).to eq %w[no_such_format format]
      expect(refusal { clean("format", "poem") }.way_on).to include("text", "pictures", "story")
      expect(refusal { clean("format", "p" * 500) }.message.length).to be < 80
      expect(refused_value("format", ["text"])).to eq %w[no_such_format format]
      expect(clean("call_to_action", "a" * 60).length).to eq 60
      expect(refused_value("call_to_action", "a" * 61)).to eq %w[too_long call_to_action]
    end
  end

  describe "audience" do
    it "has places and language tags (BCP 47), each once, without empty ones" do
      expect(clean("audience", { "places" => [" Lisbon ", "", "Lisbon"], "languages" => %w[pt pt-BR] })).to eq(
        "places" => ["Lisbon"],
        "languages" => %w[pt pt-BR]
      )
      expect(clean("audience", { "places" => ["Lisbon"] })).to eq("places" => ["Lisbon"], "languages" => [])
      expect(clean("audience", { "languages" => ["gsw"] })).to eq("places" => [], "languages" => ["gsw"])
    end

    it "is none when nothing is chosen" do
      expect(clean("audience", { "places" => [], "languages" => [] })).to be_nil
      expect(clean("audience", {})).to be_nil
      expect(clean("audience", nil)).to be_nil
    end

    it "says which language is none" do
      ["Portuguese!", "p", "PT", "pt_BR", "pt-", "pt\nen"].each do |bad|
        expect([bad, refused_value("audience", { "languages" => ["pt", bad] })]).to eq [bad, %w[bad_language audience]]
      end
      expect(refusal { clean("audience", { "languages" => ["Portuguese!"] }) }.message).to include "“Portuguese!”"
    end

    it "is twenty places at most, of words" do
      expect(clean("audience", { "places" => Array.new(20) { |n| "Pier #{n}" } })["places"].size).to eq 20
      [Array.new(21) { |n| "Pier #{n}" }, "Lisbon", [7], ["a", nil]].each do |bad|
        expect([bad, refused_value("audience", { "places" => bad })]).to eq [bad, %w[bad_list audience]]
      end
      expect(refused_value("audience", { "age" => [18] })).to eq %w[bad_audience audience]
    end
  end

  describe "event" do
    let(:event) do
      {
        "name" => "Fair",
        "place" => "Pier 2",
        "starts" => "2026-10-20T10:00",
        "ends" => "2026-10-20T18:00",
        "zone" => "Europe/Lisbon"
      }
    end

    it "is kept with its wall times and its zone" do
      expect(clean("event", event)).to eq(
        "name" => "Fair",
        "place" => "Pier 2",
        "starts" => "2026-10-20T10:00:00",
        "ends" => "2026-10-20T18:00:00",
        "zone" => "Europe/Lisbon"
      )
      expect(clean("event", nil)).to be_nil
    end

    it "needs no end and no place" do
      expect(clean("event", event.merge("ends" => nil, "place" => nil))).to include("ends" => nil, "place" => "")
      expect(clean("event", event.merge("place" => " Pier 2 "))["place"]).to eq "Pier 2"
    end

    it "does not end before it starts, nor at the same moment" do
      expect(refused_value("event", event.merge("ends" => "2026-10-20T09:59"))).to eq %w[event_ends_first event]
      expect(refused_value("event", event.merge("ends" => event["starts"]))).to eq %w[event_ends_first event]
      expect(clean("event", event.merge("ends" => "2026-10-20T10:01"))["ends"]).to eq "2026-10-20T10:01:00"
    end

    it "is over the clock change by its instants, not by its digits (RFC 5545, 3.3.5)" do
      # 1:30 to 1:10 wall time is forty minutes backwards on the dial; the first 1:30 stands before both
      night = event.merge("starts" => "2026-10-25T01:30", "ends" => "2026-10-25T01:10")
      expect(refused_value("event", night)).to eq %w[event_ends_first event]
      expect(clean("event", night.merge("ends" => "2026-10-25T02:10"))["ends"]).to eq "2026-10-25T02:10:00"
    end

    it "has a name, two times that are some, a zone that there is, and nothing else" do
      expect(refused_value("event", event.merge("name" => " "))).to eq %w[name_missing event]
      expect(refused_value("event", event.merge("starts" => "noon"))).to eq %w[bad_time event]
      expect(refused_value("event", event.merge("starts" => nil))).to eq %w[bad_time event]
      expect(refused_value("event", event.merge("ends" => "2026-02-30T10:00"))).to eq %w[bad_time event]
      expect(refused_value("event", event.merge("zone" => "Atlantis/Harbour"))).to eq %w[bad_zone event]
      expect(refused_value("event", event.merge("colour" => "red"))).to eq %w[bad_event event]
      expect(refused_value("event", "Fair")).to eq %w[bad_event event]
    end

    it "has a place in two hundred characters at most, which is text" do
      expect(clean("event", event.merge("place" => "a" * 200))["place"].length).to eq 200
      expect(refused_value("event", event.merge("place" => "a" * 201))).to eq %w[too_long event]
      expect(refused_value("event", event.merge("place" => { "pier" => 2 }))).to eq %w[not_text event]
    end
  end

  describe "budget" do
    it "is whole minor units of a currency that exists (ISO 4217)" do
      expect(clean("budget", { "minor" => 4000, "currency" => "EUR" })).to eq("minor" => 4000, "currency" => "EUR")
      [{ "minor" => 1, "currency" => "ZZZ" }, { "minor" => 1 }].each do |bad|
        expect(refused_value("budget", bad).last).to eq "budget"
      end
      [40.5, -1, "40", nil, 10_000_000_001].each do |bad|
        expect([bad, refused_value("budget", { "minor" => bad, "currency" => "EUR" })]).to eq [
             bad,
             %w[bad_budget budget]
           ]
      end
    end

    it "of nothing is none" do
      expect(clean("budget", { "minor" => 0, "currency" => "EUR" })).to be_nil
      expect(clean("budget", nil)).to be_nil
      expect(clean("budget", { "minor" => 1, "currency" => "EUR" })).not_to be_nil
      expect(clean("budget", { "minor" => 10_000_000_000, "currency" => "EUR" })).not_to be_nil
    end
  end

  describe "time" do
    it "is a wall time with its zone, and stays one" do
      expect(clean("time", { "wall" => "2026-10-15T07:30", "zone" => "Europe/Lisbon" })).to eq(
        "wall" => "2026-10-15T07:30:00",
        "zone" => "Europe/Lisbon"
      )
      expect(clean("time", nil)).to be_nil
    end

    it "needs both, of what there is" do
      expect(refused_value("time", { "wall" => "soon", "zone" => "Europe/Lisbon" })).to eq %w[bad_time time]
      [
        "2026-10-15",
        { "wall" => "2026-10-15T07:30" },
        { "zone" => "Europe/Lisbon" },
        { "wall" => 20_261_015, "zone" => "Europe/Lisbon" },
        { "wall" => "2026-10-15T07:30", "zone" => 1 }
      ].each { |bad| expect([bad, refused_value("time", bad)]).to eq [bad, %w[bad_time time]] }
      expect(refused_value("time", { "wall" => "2026-10-15T07:30", "zone" => "Atlantis/Harbour" })).to eq %w[
           bad_zone
           time
         ]
    end

    it "is never moved silently: the 31st of a short month is refused" do
      expect(refused_value("time", { "wall" => "2026-11-31T07:30", "zone" => "Europe/Lisbon" })).to eq %w[bad_time time]
      expect(refused_value("time", { "wall" => "2026-11-30T24:00", "zone" => "Europe/Lisbon" })).to eq %w[bad_time time]
    end
  end
end
