# frozen_string_literal: true

RSpec.describe AskFirst::Core::Posts::RevisionDiff do
  def kept(time: "2026-10-15T07:30", fingerprint: "f", **more)
    request = {
      "account" => "a",
      "text" => "The boat waits.",
      "link" => nil,
      "media" => [{ "digest" => "d1", "description" => "A boat" }],
      "format" => nil
    }.merge(more.transform_keys(&:to_s))
    described_class::Kept.new(
      request: request,
      fingerprint: fingerprint,
      time: time && AskFirst::Core::Plan::WallTime.parse(time, "Europe/Lisbon")
    )
  end

  it "is the same when content and time are" do
    expect(described_class.call(kept, kept)).to include(
      change: "same",
      lines: [],
      media: a_hash_including(changed: false)
    )
  end

  it "shows the text by words, pictures as changed, and everything else by line" do
    diff =
      described_class.call(
        kept,
        kept(
          fingerprint: "g",
          text: "The late boat waits.",
          link: "https://quillmere.example",
          media: [{ "digest" => "d2", "description" => "A boat" }],
          time: "2026-10-16T09:00"
        )
      )
    expect(diff[:change]).to eq "changed"
    expect(diff[:text].map { |run| [run.kind, run.words] }).to include ["new", "late "]
    expect(diff[:media][:changed]).to be true
    expect(diff[:lines]).to eq [
         { key: "time", label: "Time", before: "Thu 15 Oct 2026, 7:30", after: "Fri 16 Oct 2026, 9:00" },
         { key: "link", label: "Link", before: nil, after: "https://quillmere.example" }
       ]
  end

  it "a changed description alone counts as a changed picture, a changed time alone as a change" do
    expect(
      described_class.call(kept, kept(fingerprint: "g", media: [{ "digest" => "d1", "description" => "A ferry" }]))[
        :media
      ][
        :changed
      ]
    ).to be true
    expect(described_class.call(kept, kept(time: "2026-10-15T07:31"))).to include(
      change: "changed",
      media: a_hash_including(changed: false)
    )
  end

  it "shows its pictures on the side on which they are" do
    added, removed = [described_class.call(nil, kept), described_class.call(kept, nil)].map { |diff| diff[:media] }
    expect(added).to eq(before: [], after: [["d1", "A boat"]], changed: true)
    expect(removed).to eq(before: [["d1", "A boat"]], after: [], changed: true)
  end

  it "tells of a time that was set or taken away" do
    expect(described_class.call(kept(time: nil), kept)[:lines]).to eq [
         { key: "time", label: "Time", before: nil, after: "Thu 15 Oct 2026, 7:30" }
       ]
    expect(described_class.call(kept, kept(time: nil))[:lines]).to eq [
         { key: "time", label: "Time", before: "Thu 15 Oct 2026, 7:30", after: nil }
       ]
    expect(described_class.call(kept(time: nil), kept(time: nil))).to include(change: "same")
  end

  it "names the zone where the client's clock is another" do
    moved = kept
    moved.time = AskFirst::Core::Plan::WallTime.parse("2026-10-15T07:30", "America/Denver")
    expect(described_class.call(kept, moved)).to include(
      change: "changed",
      lines: [
        {
          key: "time",
          label: "Time",
          before: "Thu 15 Oct 2026, 7:30 Europe/Lisbon",
          after: "Thu 15 Oct 2026, 7:30 America/Denver"
        }
      ]
    )
  end

  it "tells of every setting by its own name, of an account before them" do
    settings = {
      link_card: {
        "title" => "T"
      },
      tagged: [{ "id" => "@per", "media" => 0, "x" => 500, "y" => 0 }],
      first_comment: "More",
      call_to_action: "Book now",
      format: "story",
      audience: {
        "places" => ["Lisbon"]
      },
      event: {
        "name" => "Fair",
        "place" => "",
        "starts" => "2026-10-20T10:00:00",
        "ends" => nil
      },
      budget: {
        "minor" => 100,
        "currency" => "EUR"
      }
    }
    lines = described_class.call(kept, kept(fingerprint: "g", account: "b", **settings))[:lines]
    expect(lines.map { |line| line[:label] }).to eq [
         "Account",
         "Link card",
         "Tagged",
         "First comment",
         "Call to action",
         "Format",
         "Audience",
         "Event",
         "Boost"
       ]
    expect(lines.find { |line| line[:label] == "Audience" }).to include(before: nil, after: "Lisbon")
    expect(lines.find { |line| line[:label] == "Boost" }).to include(before: nil, after: "EUR 1.00")
    expect(lines.find { |line| line[:label] == "Format" }).to include(before: nil, after: "a story")
  end

  it "a channel that was added or taken off shows the whole of it" do
    expect(described_class.call(nil, kept)).to include(
      change: "added",
      text: [have_attributes(kind: "new", words: "The boat waits.")]
    )
    expect(described_class.call(kept, nil)).to include(change: "removed", text: [have_attributes(kind: "gone")])
  end
end
