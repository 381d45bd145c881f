#!/usr/bin/env ruby
# frozen_string_literal: true

# Verifies a sign-off sheet without the program that made it: with SHA-256 alone, as RFC 6962 and RFC 9162 say. Whatever
# it does not know, it takes for wrong.
# usage: ruby verify_record.rb sign-off-proof.json [--held SIZE:ROOT] [FILE ...]
#   --held   what stands at the foot of a mail that you hold: the sheet must have grown from it
#   FILE     a picture or video: must be one that was said yes to
require "digest"
require "json"

FORMAT = "Ask First, sealed record, 1: RFC 6962 with SHA-256"
KEYS = %w[act adaptation_id at facts id pass_id person_id post_id process revision_id salt].freeze
HASH = /\A[0-9a-f]{64}\z/
SALT = /\A[0-9a-f]{32}\z/
# Raised with what is wrong.
class Wrong < StandardError
end

def leaf(bytes) = Digest::SHA256.digest("\x00".b + bytes.b)
def node(left, right) = Digest::SHA256.digest("\x01".b + left + right)

def wrong(sentence) = raise(Wrong, sentence)

def bytes(hex)
  hex.is_a?(String) && HASH.match?(hex) ? [hex].pack("H*") : wrong("#{hex.inspect} is no hash")
end

def list(value, what) = value.is_a?(Array) ? value : wrong("#{what} is no list")

# RFC 9162, 2.1.3.2
def included?(hash, index, size, path, root)
  return false if index >= size

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
  return root == larger_root && path.empty? if size == larger
  return false unless size.between?(1, larger - 1)

  path = [root, *path] if size.nobits?(size - 1)
  return false if path.empty?

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

# What an entry says, once it is seen to be one.
def row(entry, place)
  said = JSON.parse(entry)
  good = said.is_a?(Hash) && said.keys.sort == KEYS && said["facts"].is_a?(Hash) && SALT.match?(said["salt"].to_s)
  good ? said : wrong("entry #{place} is no entry of a record")
rescue JSON::ParserError, TypeError
  wrong("entry #{place} is no entry of a record")
end

# The contents that somebody said yes to.
def yeses(row)
  yes = (row["act"] == "answered" && row["facts"]["verdict"] == "yes") || row["act"] == "cleared_for"
  yes ? Array(row["facts"]["fingerprints"]) : []
end

def entries(proof, size, root)
  before = -1
  found = list(proof["entries"], "what it has of entries")
  wrong("it has no entry, so it proves nothing") if found.empty?
  found.flat_map do |one|
    place = one.is_a?(Hash) && one["place"]
    wrong("an entry has no place") unless place.is_a?(Integer) && place >= 0
    wrong("entry #{place} comes twice, or not in its order") if place <= before
    before = place
    said = row(one["entry"], place)
    path = list(one["path"], "the path of entry #{place}").map { |hash| bytes(hash) }
    wrong("entry #{place} is not in the record") unless included?(leaf(one["entry"]), place, size, path, root)
    yeses(said)
  end
end

def contents(proof)
  found = proof["contents"]
  wrong("it has no contents") unless found.is_a?(Hash)
  found.each do |fingerprint, content|
    same = content.is_a?(String) && Digest::SHA256.hexdigest(content) == fingerprint
    wrong("content #{fingerprint} has another fingerprint") unless same
  end
end

def check_growth(proof, held, size, root)
  wrong("#{held} is not SIZE:ROOT") unless held.match?(/\A\d+:[0-9a-f]{64}\z/)
  count, top = held.split(":")
  known = [*list(proof["earlier"], "what stood in mails"), { "size" => size, "root" => proof["root"], "path" => [] }]
  one = known.find { |each| each["size"] == Integer(count, 10) }
  path = one && list(one["path"], "a path").map { |hash| bytes(hash) }
  return if one && one["root"] == top && grown?(one["size"], bytes(top), size, root, path)

  wrong("it has not grown from the #{count} entries that you hold")
end

held = ARGV.index("--held")&.then { |at| ARGV.slice!(at, 2)[1].to_s }
begin
  proof = JSON.parse(File.read(ARGV.shift || abort(File.readlines(__FILE__)[3..7].join)))
  wrong("it is none of ours: its format is another") unless proof.is_a?(Hash) && proof["format"] == FORMAT
  size = proof["size"]
  wrong("it says no size") unless size.is_a?(Integer) && size.positive?
  root = bytes(proof["root"])
  said = entries(proof, size, root)
  contents = contents(proof)
  check_growth(proof, held, size, root) if held
  digests = contents.values_at(*said).compact.flat_map { |one| JSON.parse(one)["media"].map { |file| file["digest"] } }
  ARGV.each do |file|
    known = digests.include?(Digest::SHA256.file(file).hexdigest)
    wrong("#{file} is none of the files that were said yes to") unless known
  end
  puts "Right: #{proof["entries"].size} entries of #{proof["client"]}, in a record of #{size}."
rescue Wrong, JSON::ParserError => e
  puts "Wrong: #{e.is_a?(Wrong) ? e.message : "it is no JSON"}."
  exit 1
end
