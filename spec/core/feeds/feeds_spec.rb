# frozen_string_literal: true

# Feeds: which items are the same, what is made of them, and how often a site is asked.
RSpec.describe "Feeds" do
  feeds = AskFirst::Core::Feeds
  at = Time.utc(2026, 10, 14, 8, 0)
  item = ->(**more) do
    feeds::FeedItem.new(
      id: "17",
      address: "https://quillmere.example/winter",
      title: "Winter",
      words: "Lamps",
      at: at,
      **more
    )
  end
  same = ->(one, other) { one.keys.intersect?(other.keys) }

  def code
    yield
    nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  it "an item stays the same when its id changes, its page moves, or both, and another one is another" do
    expect(same.call(item.call, item.call(id: "18"))).to be true
    expect(
      same.call(item.call, item.call(id: "18", address: "http://QUILLMERE.example/winter/?utm_source=feed"))
    ).to be true
    expect(same.call(item.call, item.call(id: "18", address: "https://quillmere.example/new"))).to be true
    expect(same.call(item.call, item.call(id: "18", address: "https://quillmere.example/new", at: at + 60))).to be false
    expect(same.call(item.call(at: nil), item.call(id: "18", address: nil, at: nil))).to be true
    expect(same.call(item.call(at: nil), item.call(id: "18", address: nil, at: nil, words: "Boats"))).to be false
    expect(same.call(item.call(title: ""), item.call(id: "18", address: nil, title: ""))).to be false
    expect(feeds::FeedItem.from(JSON.parse(JSON.generate(item.call.as_json))).to_h).to eq item.call.to_h
  end

  it "a rule takes items with one of its words and none of the others, as whole words" do
    rule = feeds::FeedRule.clean({ "needs" => %w[winter fog], "without" => ["timetable"] })
    passes = ->(**more) { feeds::FeedRule.passes?(rule, item.call(**more)) }
    expect(passes.call).to be true
    expect(passes.call(title: "Boats", words: "In FOG, slowly")).to be true
    expect(passes.call(title: "Foghorns", words: "Wintering")).to be false
    expect(passes.call(words: "The Timetable")).to be false
    expect(feeds::FeedRule.passes?(feeds::FeedRule.clean({}), item.call)).to be true
  end

  it "fills its patterns in, once, and names what has no title by its words" do
    rule = feeds::FeedRule.clean({ "title" => "News: {title}", "note" => "{words}\n{link} ({date}) {else}" })
    expect(feeds::FeedRule.said(rule, item.call(words: "See {title}"), "Europe/Lisbon")).to eq(
      "title" => "News: Winter",
      "note" => "See {title}\nhttps://quillmere.example/winter (2026-10-14) {else}",
      "link" => "https://quillmere.example/winter"
    )
    bare = item.call(title: "", words: "Lamps burn again", address: "mailto:x@y.example")
    expect(feeds::FeedRule.said(feeds::FeedRule.clean({}), bare, "Europe/Lisbon")).to eq(
      "title" => "Lamps burn again",
      "note" => "Lamps burn again",
      "link" => nil
    )
  end

  it "says what a rule cannot be" do
    expect(code { feeds::FeedRule.clean([]) }).to eq %w[bad_rule rule]
    expect(code { feeds::FeedRule.clean({ "needs" => "fog" }) }).to eq %w[bad_rule needs]
    expect(code { feeds::FeedRule.clean({ "needs" => ["x"] * 21 }) }).to eq %w[bad_rule needs]
    expect(code { feeds::FeedRule.clean({ "title" => "x" * 301 }) }).to eq %w[too_long title]
    expect(code { feeds::FeedRule.clean({ "colour" => "red" }) }).to eq %w[bad_rule rule]
  end

  it "a site is asked every half hour, later if it says so, and ever later while it does not answer, up to a day" do
    waits = (0..6).map { |failures| feeds::FeedPace.wait(failures: failures) / 60 }
    expect(waits).to eq [30, 60, 120, 240, 480, 960, 1_440]
    expect(feeds::FeedPace.wait(asked: 60)).to eq 1_800
    expect(feeds::FeedPace.wait(asked: 7_200)).to eq 7_200
    expect(feeds::FeedPace.wait(asked: 10**9)).to eq 86_400
    expect(feeds::FeedPace.wait(failures: 2, asked: 10_000)).to eq 10_000
  end
end
