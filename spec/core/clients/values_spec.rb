# frozen_string_literal: true

RSpec.describe "What a client is set up with" do
  identity = AskFirst::Core::Clients::Identity
  brand = AskFirst::Core::Clients::BrandValues

  def refusal
    yield
    nil
  rescue AskFirst::Core::Invalid => e
    [e.code, e.field]
  end

  {
    [:zone, "Mars/Base"] => %w[bad_zone zone],
    [:name, "  "] => %w[name_missing name],
    [:initials, "LONG"] => %w[bad_initials initials],
    [:edge, "teal"] => %w[bad_colour edge],
    [:week_start, 3] => %w[bad_week_start week_start],
    [:holidays, "atlantis"] => %w[bad_region holidays],
    [:time_policy, "maybe"] => %w[bad_policy time_policy],
    [:working_hours, { "1" => [%w[18:00 09:00]] }] => %w[bad_hours working_hours],
    [:working_hours, { "8" => [] }] => %w[bad_hours working_hours],
    [:working_hours, { "1" => [%w[09:00 13:00], %w[12:00 18:00]] }] => %w[bad_hours working_hours]
  }.each do |(key, value), expected|
    it "#{key} #{value.inspect} is refused at its field" do
      expect(refusal { identity.clean(key => value) }).to eq expected
    end
  end

  it "takes what is right, and keeps only what was given" do
    expect(identity.clean(name: " Quillmere ", edge: "#1d5c74", week_start: 0)).to eq(
      name: "Quillmere",
      edge: "#1D5C74",
      week_start: 0
    )
    expect(identity.working_hours("2" => [%w[13:00 18:00], %w[09:00 12:00]], "1" => [])).to eq(
      "2" => [%w[09:00 12:00], %w[13:00 18:00]]
    )
  end

  it "brand colours are read as people paste them" do
    expect(brand.clean("colours", [{ "name" => "lamp", "hex" => "f2c94c" }, { "hex" => "#abc" }])).to eq [
         { "name" => "lamp", "hex" => "#F2C94C" },
         { "name" => "", "hex" => "#AABBCC" }
       ]
    expect(refusal { brand.clean("colours", [{ "hex" => "#12345" }]) }).to eq %w[bad_colour colours]
  end

  it "hashtags are told once, whatever their case and width; what is none is named" do
    expect(
      brand.clean("hashtags", [{ "name" => "all", "tags" => %w[#Ferry ferry ＦＥＲＲＹ fährte] }]).first["tags"]
    ).to eq %w[Ferry fährte]
    expect(refusal { brand.clean("hashtags", [{ "name" => "all", "tags" => ["two words"] }]) }).to eq %w[
         bad_hashtag
         hashtags
       ]
    expect(refusal { brand.clean("hashtags", [{ "name" => "", "tags" => [] }]) }).to eq %w[name_missing hashtags]
  end

  it "links are whole addresses; an odd shape is refused" do
    expect(refusal { brand.clean("links", [{ "title" => "x", "address" => "javascript:alert(1)" }]) }).to eq %w[
         bad_link
         links
       ]
    expect(refusal { brand.clean("links", "none") }).to eq %w[bad_list links]
    expect(refusal { brand.clean("smell", "x") }).to eq %w[part_unknown part]
    expect(refusal { brand.clean("colours", Array.new(25) { { "hex" => "#000000" } }) }).to eq %w[too_many colours]
  end
end
