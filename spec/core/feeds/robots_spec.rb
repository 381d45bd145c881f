# frozen_string_literal: true

require "prop_check"

# What a site wants of robots. Source: RFC 9309; its examples of section 5 and the tables of 2.2.2 and 2.2.3 from
# memory.
RSpec.describe AskFirst::Core::Feeds::Robots do
  def may?(text, path, agent: "AskFirst") = described_class.of(text, agent).allow?("https://boats.example#{path}")

  it "is allowed where nothing is said, and robots.txt itself always" do
    expect(may?("", "/a")).to be true
    expect(may?("User-agent: *\nDisallow:", "/a")).to be true
    expect(may?("User-agent: *\nDisallow: /", "/robots.txt")).to be true
  end

  it "follows the group of its own name, in any case of letters, and else that for everybody" do
    text =
      "User-Agent: *\nDisallow: *.gif$\nDisallow: /example/\nAllow: /publications/\n\n" \
        "User-Agent: foobot\nDisallow:/\nAllow:/example/page.html\nAllow:/example/allowed.gif\n\n" \
        "User-Agent: barbot\nUser-Agent: bazbot\nDisallow: /example/page.html\n\nUser-Agent: quxbot\n"
    expect(
      [may?(text, "/a.gif"), may?(text, "/a.gifs"), may?(text, "/publications/x"), may?(text, "/example/x")]
    ).to eq [false, true, true, false]
    own = ->(agent) { %w[/example/page.html /example/allowed.gif /else].map { |path| may?(text, path, agent: agent) } }
    expect(own.call("FooBot")).to eq [true, true, false]
    expect([own.call("barbot"), own.call("bazbot")]).to all(eq([false, true, true]))
    expect(own.call("quxbot")).to eq [true, true, true]
  end

  it "is decided by the longest pattern that fits, of two of one length by the one that allows" do
    expect(
      may?("User-agent: *\nAllow: /example/page/\nDisallow: /example/page/disallowed.gif", "/example/page/")
    ).to be true
    text = "User-agent: *\nAllow: /example/page/\nDisallow: /example/page/disallowed.gif"
    expect(may?(text, "/example/page/disallowed.gif")).to be false
    expect(may?("User-agent: *\nDisallow: /x\nAllow: /x", "/x")).to be true
  end

  it "knows stars and ends" do
    text = ->(rule) { "User-agent: *\nDisallow: #{rule}" }
    expect(may?(text.call("/*.php"), "/folder/a.php?x")).to be false
    expect(may?(text.call("/*.php$"), "/folder/a.php?x")).to be true
    expect(may?(text.call("/fish*.php"), "/catfish.php")).to be true
    expect(may?(text.call("/a*b*b$"), "/ab")).to be true
    expect(may?(text.call("/a*b*b$"), "/axbxb")).to be false
    expect(may?(text.call("/path/file-with-a-%2A.html"), "/path/file-with-a-*.html")).to be false
    expect([may?(text.call("/a$b"), "/a$b"), may?(text.call("/a$b"), "/a")]).to eq [false, true]
  end

  it "compares octets in one spelling (2.2.2)" do
    text = ->(rule) { "User-agent: *\nDisallow: #{rule}" }
    expect(may?(text.call("/foo/bar?baz=http://foo.bar"), "/foo/bar?baz=http://foo.bar")).to be false
    expect(may?(text.call("/foo/bar/ツ"), "/foo/bar/%E3%83%84")).to be false
    expect(may?(text.call("/foo/bar/%e3%83%84"), "/foo/bar/%E3%83%84")).to be false
    expect(may?(text.call("/foo/bar/%62%61%7A"), "/foo/bar/baz")).to be false
  end

  it "adds groups of one name up, and passes over comments, other lines and what is too long" do
    text =
      "\uFEFFUser-agent: AskFirst # ours\nDisallow: /a\nSitemap: https://x.example\nCrawl-delay: 9\n" \
        "User-agent: AskFirst\nDisallow: /b\nDisallow: /#{"c" * 5_000}\n"
    expect(%w[/a /b /c].map { |path| may?(text, path) }).to eq [false, false, true]
  end

  it "matches as a regular expression of the same pattern would, for random patterns and paths" do
    PropCheck
      .forall(
        PropCheck::Generators.array(
          PropCheck::Generators.one_of(*%w[a b * /].map { |c| PropCheck::Generators.constant(c) })
        ),
        PropCheck::Generators.array(
          PropCheck::Generators.one_of(*%w[a b /].map { |c| PropCheck::Generators.constant(c) })
        ),
        PropCheck::Generators.boolean
      )
      .with_config(n_runs: 400) do |pattern, path, ends|
        rule = "/#{pattern.first(8).join}"
        there = "/#{path.first(12).join}"
        wanted = /\A#{Regexp.escape(rule).gsub("\\*", ".*")}#{'\z' if ends}/
        expect([rule, there, ends, may?("User-agent: *\nDisallow: #{rule}#{"$" if ends}", there)]).to eq [
             rule,
             there,
             ends,
             !there.match?(wanted)
           ]
      end
  end
end
