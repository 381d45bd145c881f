# frozen_string_literal: true

# The specs' own stand-in for the app on a phone, against the published vectors.
RSpec.describe Totp do
  # Source: RFC 6238, appendix B, the rows for SHA-1 (8 digits)
  {
    59 => "94287082",
    1_111_111_109 => "07081804",
    1_111_111_111 => "14050471",
    1_234_567_890 => "89005924",
    2_000_000_000 => "69279037",
    20_000_000_000 => "65353130"
  }.each do |seconds, code|
    it "gives #{code} at #{seconds}" do
      expect(described_class.by_bytes("12345678901234567890", Time.at(seconds), 8)).to eq code
      # the same secret in base 32, as it is shown to people
      expect(described_class.code("GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ", at: Time.at(seconds), digits: 8)).to eq code
    end
  end
end
