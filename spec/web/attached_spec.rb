# frozen_string_literal: true

# Names of files that are handed out, in a header. The extended form is RFC 8187's; its example of "€ rates" stands in
# RFC 6266, section 5 (from memory).
RSpec.describe AskFirst::Web::Attached do
  it "says a plain name plainly" do
    expect(described_class.as("sign-off.csv")).to eq 'attachment; filename="sign-off.csv"'
  end

  it "says another one in full, and something of it to old programs" do
    expect(described_class.as("€ rates")).to eq %(attachment; filename="- rates"; filename*=UTF-8''%E2%82%AC%20rates)
    expect(described_class.as("100% #1 & more.pdf")).to eq(
      %(attachment; filename="100- #1 & more.pdf"; filename*=UTF-8''100%25%20#1%20&%20more.pdf)
    )
  end

  it "lets nothing into the header beside the name" do
    expect(described_class.as("a\"; x=\"b\r\nSet-Cookie: c.pdf")).not_to match(/[\r\n]|x="/)
  end
end
