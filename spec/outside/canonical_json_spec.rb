# frozen_string_literal: true

require "json/canonicalization"

# Source: RFC 8785 (JSON Canonicalization Scheme): the example of section 3.2.2 to 3.2.4 and the numbers of appendix B.
# FIPS 180-4: SHA-256 of "abc" and of the empty message, as NIST's example values give them (from memory, recomputed).
RSpec.describe "canonical JSON and digest" do
  def canonical(value)
    value.to_json_c14n
  end

  it "writes the RFC's own example as the RFC writes it" do
    input =
      JSON.parse(
        '{"numbers":[333333333.33333329,1E30,4.50,2e-3,0.000000000000000000000000001],' \
          '"string":"\u20ac$\u000F\u000aA\u0027\u0042\u0022\u005c\\\\\"\/","literals":[null,true,false]}'
      )
    expect(
      canonical(input)
    ).to eq '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],' \
         '"string":"€$\u000f\nA\'B\"\\\\\\\\\"/"}'
  end

  it "sorts keys by UTF-16 code units (RFC 8785, 3.2.3)" do
    keys = {
      "\u20ac" => "Euro Sign",
      "\r" => "Carriage Return",
      "\ufb33" => "Hebrew Letter Dalet With Dagesh",
      "1" => "One",
      "\u{1F600}" => "Emoji: Grinning Face",
      "\u0080" => "Control",
      "\u00f6" => "Latin Small Letter O With Diaeresis"
    }
    expect(JSON.parse(canonical(keys)).values).to eq [
         "Carriage Return",
         "One",
         "Control",
         "Latin Small Letter O With Diaeresis",
         "Euro Sign",
         "Emoji: Grinning Face",
         "Hebrew Letter Dalet With Dagesh"
       ]
  end

  it "writes the numbers of appendix B" do
    {
      "0000000000000000" => "0",
      "8000000000000000" => "0",
      "4340000000000000" => "9007199254740992",
      "444b1ae4d6e2ef50" => "1e+21",
      "3eb0c6f7a0b5ed8d" => "0.000001",
      "41b3de4355555555" => "333333333.3333333"
    }.each { |bits, text| expect(canonical([[bits].pack("H*").unpack1("G")])).to eq "[#{text}]" }
  end

  it "never digests a fraction: there the package differs from appendix B for the smallest and the largest (5e-324, " \
       "1.7976931348623157e+308)" do
    expect { AskFirst::Core::Posts::Fingerprint.canonical({ "a" => [{ "b" => 0.5 }] }) }.to raise_error(
      AskFirst::Core::Invalid
    )
    expect(AskFirst::Core::Posts::Fingerprint.canonical({ "b" => 1, "a" => "é" })).to eq '{"a":"é","b":1}'
  end

  it "digests as FIPS 180-4 has it" do
    expect(Digest::SHA256.hexdigest("abc")).to eq "ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad"
    expect(Digest::SHA256.hexdigest("")).to eq "e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855"
  end
end
