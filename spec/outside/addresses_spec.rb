# frozen_string_literal: true

require "open3"

# Tracking tags and links against Node's own URL and URLSearchParams, an implementation of the WHATWG URL standard.
RSpec.describe "Addresses, against the WHATWG URL standard" do
  # @return [Array] what Node makes of each [address, tags]
  def node(script, input)
    out, status = Open3.capture2("node", "-e", <<~JS, stdin_data: JSON.generate(input))
      const input = JSON.parse(require('fs').readFileSync(0, 'utf8'))
      process.stdout.write(JSON.stringify(input.map(#{script})))
    JS
    raise "node failed" unless status.success?

    JSON.parse(out)
  end

  addresses = [
    "https://a.example/p",
    "https://a.example/p?",
    "https://a.example/?q=a+b&q=c",
    "https://a.example/p?x=%C3%BC&empty=&y#frag?ment",
    "http://a.example:8080/x;y/z?a[]=1",
    "https://a.example/p#only",
    "https://a.example/p?already=utm_source"
  ]
  tags = [
    { "source" => "ticker" },
    {
      "source" => "a b",
      "medium" => "ü&=?#+%",
      "campaign" => "Übersee-Fähre",
      "term" => "日本",
      "content" => "~*-._'()!"
    },
    {}
  ]
  let(:cases) { addresses.product(tags) }

  it "the tags are read back by the standard's parser exactly as they were given, behind what was there" do
    ours = cases.map { |address, given| AskFirst::Core::Posts::Tracking.append(address, given) }
    read = node("(one) => [...new URL(one).searchParams]", ours)
    there = node("(one) => [...new URL(one).searchParams]", cases.map(&:first))
    expect(read).to eq(
      cases.zip(there).map { |(_, given), before| before + given.map { |name, value| ["utm_#{name}", value] } }
    )
  end

  it "each value is written as the standard's serializer writes it" do
    ours = cases.map { |address, given| AskFirst::Core::Posts::Tracking.append(address, given) }
    written =
      node(
        "([address, tags]) => { const u = new URL(address); const add = new " \
          "URLSearchParams(Object.entries(tags).map(([k, v]) => ['utm_' + k, v])).toString(); return add }",
        cases
      )
    expect(ours.zip(written).reject { |address, part| part.empty? || address.split("#").first.end_with?(part) }).to eq [
       ]
  end

  it "nothing else of the address is disturbed: origin, path, query and fragment stay" do
    ours = cases.map { |address, given| AskFirst::Core::Posts::Tracking.append(address, given) }
    parts = "(one) => { const u = new URL(one); return [u.origin, u.pathname, u.hash] }"
    expect(node(parts, ours)).to eq node(parts, cases.map(&:first))
  end

  it "what is found as a link in a text is an address by the standard" do
    text = "See https://a.example/x_(y), http://b.example/?q=1&r=2; (https://c.example/z) and https://d.example/ü!"
    found = AskFirst::Core::Checks::Links.find(text).map { |from, length| text[from, length] }
    expect(found).to eq %w[https://a.example/x_(y) http://b.example/?q=1&r=2 https://c.example/z https://d.example/ü]
    expect(node("(one) => URL.canParse(one)", found)).to all(be true)
  end
end
