#!/usr/bin/env ruby
# frozen_string_literal: true

# Verifies a sign-off sheet without the program that made it: with SHA-256 alone, as RFC 6962 and RFC 9162 say.
# usage: ruby verify_record.rb sign-off-proof.json [--held SIZE:ROOT] [FILE ...]
#   --held   what stands at the foot of a mail that you hold: the sheet must have grown from it
#   FILE     a picture or video: must be one that was said yes to
require "digest"
require "json"

def leaf(bytes) = Digest::SHA256.digest("\x00".b + bytes.b)
def node(left, right) = Digest::SHA256.digest("\x01".b + left + right)
def bytes(hex) = [hex].pack("H*")

# RFC 9162, 2.1.3.2
def included?(hash, index, size, path, root)
  at = index
  last = size - 1
  path.each do |one|
    return false if last.zero?

    if at.odd? || at == last
      hash = node(one, hash)
      until at.odd? || at.zero?
        at >>= 1
        last >>= 1
      end
    else
      hash = node(hash, one)
    end
    at >>= 1
    last >>= 1
  end
  last.zero? && hash == root
end

# RFC 9162, 2.1.4.2
def grown?(size, root, larger, larger_root, path)
  return root == larger_root if size == larger

  path = [root, *path] if size.nobits?(size - 1)
  at = size - 1
  last = larger - 1
  while at.odd?
    at >>= 1
    last >>= 1
  end
  small = large = path.shift
  path.each do |one|
    return false if last.zero?

    if at.odd? || at == last
      small = node(one, small)
      large = node(one, large)
      until at.odd? || at.zero?
        at >>= 1
        last >>= 1
      end
    else
      large = node(large, one)
    end
    at >>= 1
    last >>= 1
  end
  last.zero? && small == root && large == larger_root
end

held = ARGV.index("--held")&.then { |at| ARGV.slice!(at, 2).last }
proof = JSON.parse(File.read(ARGV.shift))
root = bytes(proof["root"])
wrong = []
said = []
proof["entries"].each do |one|
  good = included?(leaf(one["entry"]), one["place"], proof["size"], one["path"].map { |hash| bytes(hash) }, root)
  wrong << "entry #{one["place"]} is not in the record" unless good
  said.concat(JSON.parse(one["entry"])["facts"].fetch("fingerprints", []))
end
proof["contents"].each do |fingerprint, content|
  wrong << "content #{fingerprint} has another fingerprint" if Digest::SHA256.hexdigest(content) != fingerprint
end
if held
  size, top = held.split(":")
  earlier = [*proof["earlier"], { "size" => proof["size"], "root" => proof["root"], "path" => [] }]
  one = earlier.find { |each| each["size"] == Integer(size) }
  path = one && one["path"].map { |hash| bytes(hash) }
  unless one && one["root"] == top && grown?(one["size"], bytes(top), proof["size"], root, path)
    wrong << "it has not grown from the #{size} entries that you hold"
  end
end
digests = proof["contents"].values_at(*said).compact.flat_map { |one| JSON.parse(one)["media"].map { |file|
 file["digest"] } }
ARGV.each do |file|
  wrong << "#{file} is none of the files that were said yes to" unless digests.include?(Digest::SHA256.file(file).hexdigest)
end
right = "Right: #{proof["entries"].size} entries of #{proof["client"]}, in a record of #{proof["size"]}."
puts wrong.empty? ? right : wrong
exit wrong.empty?
