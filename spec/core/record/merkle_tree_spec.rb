# frozen_string_literal: true

require "prop_check"

# Source: RFC 6962, section 2.1. The test leaves and the roots of 1, 2, 3 and 8 of them are known from memory and were
# recomputed by hand with SHA-256; the worked tree of seven leaves and its proofs are those of section 2.1.3.
RSpec.describe AskFirst::Core::Record::MerkleTree do
  def hex(bytes) = bytes.unpack1("H*")
  def bytes(hex) = [hex].pack("H*")

  data = ["", "00", "10", "2021", "3031", "40414243", "5051525354555657", "606162636465666768696a6b6c6d6e6f"]
  let(:leaves) { data.map { |one| described_class.leaf(bytes(one)) } }

  {
    0 => /\Ae3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855\z/,
    1 => /\A6e340b9c.*7afa01d\z/,
    2 => /\Afac54203.*e3c125\z/,
    3 => /\Aaeb6bcfe.*e06e77\z/,
    8 => /\A5dc9da79.*604328\z/
  }.each do |size, root|
    it "has the known root over #{size} of the test leaves" do
      expect(hex(described_class.root(leaves.first(size)))).to match root
    end
  end

  # Section 2.1.3: a, b, c, d0, e, f, j over seven leaves.
  describe "the worked tree of seven leaves" do
    let(:seven) { leaves.first(7) }
    let(:pairs) { [0, 2, 4].map { |at| described_class.node(seven[at], seven[at + 1]) } } # g, h, i
    let(:k) { described_class.node(pairs[0], pairs[1]) }
    let(:l) { described_class.node(pairs[2], seven[6]) }
    let(:root) { described_class.node(k, l) }

    it "has that root" do
      expect(described_class.root(seven)).to eq root
    end

    it "proves d0, d3, d4 and d6 by the paths of the text" do
      expect(described_class.inclusion(0, seven)).to eq [seven[1], pairs[1], l]
      expect(described_class.inclusion(3, seven)).to eq [seven[2], pairs[0], l]
      expect(described_class.inclusion(4, seven)).to eq [seven[5], seven[6], k]
      expect(described_class.inclusion(6, seven)).to eq [pairs[2], k]
    end

    it "proves that it grew from three, four and six leaves by the paths of the text" do
      expect(described_class.consistency(3, seven)).to eq [seven[2], seven[3], pairs[0], l]
      expect(described_class.consistency(4, seven)).to eq [l]
      expect(described_class.consistency(6, seven)).to eq [pairs[2], seven[6], k]
    end
  end

  it "proves every leaf of every tree, and nothing else" do
    many = Array.new(33) { |n| described_class.leaf("leaf #{n}") }
    (1..33).each do |size|
      tree = many.first(size)
      root = described_class.root(tree)
      size.times do |index|
        path = described_class.inclusion(index, tree)
        expect(described_class.included?(tree[index], index, size, path, root)).to be true
        wrong = [(index + 1) % size, index].uniq.size > 1 ? (index + 1) % size : size
        expect(described_class.included?(tree[index], wrong, size, path, root)).to be false
        expect(described_class.included?(described_class.leaf("other"), index, size, path, root)).to be false
        expect(described_class.included?(tree[index], index, size, path + [root], root)).to be false
      end
    end
  end

  it "proves of every tree that it grew from each smaller one, and from nothing that was changed" do
    many = Array.new(33) { |n| described_class.leaf("leaf #{n}") }
    (1..33)
      .to_a
      .combination(2) do |small, large|
        roots = [small, large].map { |size| described_class.root(many.first(size)) }
        path = described_class.consistency(small, many.first(large))
        expect(described_class.consistent?(small, roots[0], large, roots[1], path)).to be true
        forged = described_class.root([described_class.leaf("forged"), *many[1...small]])
        expect(described_class.consistent?(small, forged, large, roots[1], path)).to be false
        expect(described_class.consistent?(small, roots[0], large, forged, path)).to be false
      end
  end

  # RFC 9162, 2.1.3.2 and 2.1.4.2: a path is used up when the tree's last node is reached, neither before nor after
  describe "is not taken in" do
    let(:two) { [1, 2].map { |n| described_class.leaf("leaf #{n}") } }
    let(:root) { described_class.root(two) }

    it "by a leaf of a smaller tree, said to be of a larger one" do
      expect(described_class.included?(two[0], 0, 2, [two[1]], root)).to be true
      expect(described_class.included?(two[0], 0, 4, [two[1]], root)).to be false
      expect(described_class.included?(two[0], 0, 1, [two[1]], root)).to be false
    end

    it "by a tree that is said to have grown and has the same root, or is said to be smaller than before" do
      expect(described_class.consistent?(1, root, 7, root, [])).to be false
      expect(described_class.consistent?(8, root, 7, root, [])).to be false
      expect(described_class.consistent?(0, described_class::EMPTY, 7, root, [root])).to be false
    end

    it "by hashes where there is nothing to prove" do
      expect(described_class.consistent?(2, root, 2, root, [])).to be true
      expect(described_class.consistent?(2, root, 2, root, [root])).to be false
    end
  end

  it "grows leaf by leaf into the same root" do
    peaks = AskFirst::Core::Record::MerklePeaks.new
    many = Array.new(70) { |n| described_class.leaf("leaf #{n}") }
    expect(peaks.root).to eq described_class.root([])
    many.each_with_index do |leaf, index|
      peaks = peaks.add(leaf)
      expect([peaks.size, peaks.root]).to eq [index + 1, described_class.root(many.first(index + 1))]
    end
    expect(peaks.peaks.size).to eq 3 # 70 = 64 + 4 + 2
  end

  it "with all its nodes at hand proves the same" do
    many = Array.new(21) { |n| described_class.leaf("leaf #{n}") }
    (0..21).each do |size|
      levels = AskFirst::Core::Record::MerkleLevels.new(many.first(size))
      expect(levels.root).to eq described_class.root(many.first(size))
      size.times { |at| expect(levels.inclusion(at)).to eq described_class.inclusion(at, many.first(size)) }
    end
  end

  it "takes a leaf that looks like a node for a leaf: the bytes before them differ" do
    two = leaves.first(2)
    expect(described_class.leaf(two.join)).not_to eq described_class.root(two)
  end
end
