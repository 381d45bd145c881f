# frozen_string_literal: true

require "open3"

# What proves a sign-off sheet, tried with everything that can be done to it, against three that verify it: the core;
# the script for outsiders, which follows RFC 9162, 2.1.3.2 and 2.1.4.2; and one in another language, which computes
# the root from the recursive definitions of RFC 6962, 2.1.1 and 2.1.2, and shares no step with the first two.
RSpec.describe "The sealed record, verified from outside" do
  let(:tree) { AskFirst::Core::Record::MerkleTree }
  let(:rows) { Array.new(29) { |n| row(n) } }
  let(:proof) { prove(rows, [3, 12, 28]) }
  let(:held) { "13:#{root(rows.first(13))}" }

  def hex(bytes) = bytes.unpack1("H*")
  def root(some) = hex(tree.root(some.map { |one| tree.leaf(one) }))

  def content(name) = JSON.generate("media" => [{ "digest" => Digest::SHA256.hexdigest(name) }], "text" => "Fog")
  def print(name) = Digest::SHA256.hexdigest(content(name))

  # Row 3 says yes to the boat, row 12 no to the pier, row 28 is a clearing for somebody of the lamp.
  def row(number, salt: Digest::SHA256.hexdigest(number.to_s)[0, 32])
    act, facts =
      {
        3 => ["answered", { "verdict" => "yes", "fingerprints" => [print("boat")] }],
        12 => ["answered", { "verdict" => "no", "fingerprints" => [print("pier")] }],
        28 => ["cleared_for", { "person" => "Odile", "fingerprints" => [print("lamp")] }]
      }.fetch(number, ["part_saved", {}])
    said = AskFirst::Core::Record::Entry::COLUMNS.to_h { |name| [name, nil] }
    at = "2026-10-14T09:#{format("%02d", number)}:00.000000Z"
    JSON.generate(said.merge("id" => number.to_s, "at" => at, "act" => act, "facts" => facts, "salt" => salt).sort.to_h)
  end

  def prove(all, places)
    leaves = all.map { |one| tree.leaf(one) }
    path = tree.consistency(13, leaves)
    {
      "format" => "Ask First, sealed record, 1: RFC 6962 with SHA-256",
      "client" => "Quillmere Ferries",
      "size" => all.size,
      "root" => root(all),
      "entries" =>
        places.map do |place|
          { "place" => place, "entry" => all[place], "path" => tree.inclusion(place, leaves).map { |one| hex(one) } }
        end,
      "contents" => %w[boat pier lamp].to_h { |name| [print(name), content(name)] },
      "earlier" => [{ "size" => 13, "root" => root(all.first(13)), "path" => path.map { |one| hex(one) } }]
    }
  end

  # @return [Hash{String=>Boolean}] whether each of them takes it for right
  def verdicts(proof, held: nil, files: [])
    Dir.mktmpdir do |folder|
      file = File.join(folder, "proof.json")
      File.write(file, JSON.generate(proof))
      paths = files.map { |name| File.join(folder, name).tap { |path| File.write(path, name) } }
      more = [*(["--held", held] if held), *paths]
      scripts =
        { "ruby" => "docs/verify_record.rb", "node" => "docs/verify_record.mjs" }.to_h do |language, script|
          said, status = Open3.capture2e(language, script, file, *more, chdir: AskFirst::ROOT)
          raise said unless said.match?(/\A(?:Right|Wrong): /)

          [language, status.success? && said.start_with?("Right: ")]
        end
      scripts.merge("core" => core(proof, held, files))
    end
  end

  def core(proof, held, files)
    digests = files.to_h { |name| [name, Digest::SHA256.hexdigest(name)] }
    size, top = held&.split(":")
    AskFirst::Core::Record::Verification
      .new(JSON.parse(JSON.generate(proof)), held: size && [Integer(size, 10), top], digests: digests)
      .wrong
      .empty?
  rescue AskFirst::Core::Invalid, ArgumentError
    false
  end

  it "is right as it is made, grown from what stood in a mail, with the files that were said yes to" do
    expect(verdicts(proof, held: held, files: %w[boat lamp]).values).to eq [true] * 3
    expect(verdicts(proof, held: "29:#{proof["root"]}").values).to eq [true] * 3
    (1..9).each do |size|
      small = prove(rows.first(size), [size - 1]).merge("earlier" => [])
      expect([size, verdicts(small).values]).to eq [size, [true] * 3]
    end
  end

  it "is wrong for a file that was only refused, and for one that nobody has seen" do
    %w[pier goat].each { |name| expect(verdicts(proof, files: [name]).values).to eq [false] * 3 }
  end

  {
    "a word of an entry" => ->(one) { one["entries"][0]["entry"].sub!("yes", "no!") },
    "the salt of an entry" => ->(one) { one["entries"][0]["entry"].sub!(/"salt":"./, '"salt":"f') },
    "an entry without salt" => ->(one) { one["entries"][0]["entry"].sub!(/,"salt":"\h+"/, "") },
    "an entry with a field more" => ->(one) { one["entries"][0]["entry"].sub!("{", '{"more":1,') },
    "an entry that is no JSON" => ->(one) { one["entries"][0]["entry"] = "yes" },
    "an entry at another place" => ->(one) { one["entries"][0]["place"] = 4 },
    "an entry at place 79 of 29" => ->(one) { one["entries"][2]["place"] = 79 },
    "an entry before the first place" => ->(one) { one["entries"][0]["place"] = -1 },
    "a place that is a word" => ->(one) { one["entries"][0]["place"] = "3" },
    "a path that is too short" => ->(one) { one["entries"][0]["path"].pop },
    "a path that is too long" => ->(one) { one["entries"][0]["path"] << ("0" * 64) },
    "a path in another order" => ->(one) { one["entries"][0]["path"].reverse! },
    "a path that is none" => ->(one) { one["entries"][0]["path"] = "0" * 64 },
    "a hash in a path that is none" => ->(one) { one["entries"][0]["path"][0] = "x" },
    "an entry twice" => ->(one) { one["entries"].insert(1, one["entries"][0]) },
    "entries in another order" => ->(one) { one["entries"].reverse! },
    "no entry at all" => ->(one) { one["entries"] = [] },
    "entries left out as a whole" => ->(one) { one.delete("entries") },
    "a smaller size" => ->(one) { one["size"] = 13 },
    "a larger size, of another depth" => ->(one) { one["size"] = 33 },
    "no size" => ->(one) { one["size"] = 0 },
    "a size that is a word" => ->(one) { one["size"] = "29" },
    "another root" => ->(one) { one["root"] = one["root"].reverse },
    "a root that is too short" => ->(one) { one["root"] = one["root"][0, 62] },
    "another content" => ->(one) { one["contents"].each_value { |said| said.sub!("Fog", "Log") } },
    "a content under another fingerprint" => ->(one) { one["contents"]["0" * 64] = one["contents"].values.first },
    "another format" => ->(one) { one["format"] = "Something else" }
  }.each do |what, tamper|
    it "is wrong with #{what}" do
      forged = JSON.parse(JSON.generate(proof))
      tamper.call(forged)
      expect(verdicts(forged)).to eq("ruby" => false, "node" => false, "core" => false)
    end
  end

  it "is wrong with an entry of another tree, and of what has not grown from what is held" do
    others = Array.new(29) { |n| row(n, salt: "0" * 32) }
    mixed = JSON.parse(JSON.generate(proof))
    mixed["entries"][1] = prove(others, [12])["entries"][0]
    expect(verdicts(mixed).values).to eq [false] * 3
    {
      "13:#{root(others.first(13))}" => proof,
      "12:#{root(rows.first(12))}" => proof,
      "0:#{"0" * 64}" => proof,
      "thirteen" => proof,
      held => prove(others, [3])
    }.each { |what, one| expect([what, verdicts(one, held: what).values]).to eq [what, [false] * 3] }
  end
end
