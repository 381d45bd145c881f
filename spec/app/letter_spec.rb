# frozen_string_literal: true

RSpec.describe AskFirst::App::Letter do
  let(:parts) do
    described_class
      .new("Odile <b>Marchetti</b>")
      .say("One & two.")
      .quote("For <script>you</script>\nand me")
      .button("Look", "https://x.example/?a=1&b=2", lead: "Look here:")
      .item("Quillmere", "Something", "https://x.example")
      .small("More", "https://x.example/profile")
      .parts
  end

  it "says the same in plain text and in HTML" do
    expect(parts[:text]).to eq <<~TEXT
      Hello Odile,

      One & two.

      For <script>you</script>
      and me

      Look here:
      https://x.example/?a=1&b=2

      Quillmere: Something
      https://x.example

      More: https://x.example/profile
    TEXT
    expect(parts[:html]).to include(
      "Hello Odile,",
      "One &amp; two.",
      'href="https://x.example/?a=1&amp;b=2"',
      ">Look</a>"
    )
  end

  it "lets nothing that a person typed become markup" do
    expect(parts[:html]).to include "&lt;script&gt;you&lt;/script&gt;"
    expect(parts[:html]).not_to match(/<script|<b>Marchetti/)
  end

  it "leaves out what is empty" do
    expect(described_class.new.quote("").parts[:text]).to eq "Hello,\n"
  end
end
