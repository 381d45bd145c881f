// Verifies a sign-off sheet without the program that made it: a second script, written from the definitions of RFC 6962,
// section 2.1, alone. It computes what the root of the whole tree must be from an entry and its path, as the RFC defines
// both, and says whether it is the one that is given.
// usage: node verify_record.mjs sign-off-proof.json [--held SIZE:ROOT] [FILE ...]
import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'

const FORMAT = 'Ask First, sealed record, 1: RFC 6962 with SHA-256'
const KEYS = 'act,adaptation_id,at,facts,id,pass_id,person_id,post_id,process,revision_id,salt'

const sha = (...parts) => parts.reduce((sum, part) => sum.update(part), createHash('sha256')).digest()
const leaf = (text) => sha(Buffer.from([0]), Buffer.from(text, 'utf8'))
const node = (left, right) => sha(Buffer.from([1]), left, right)
const hex = (hash) => hash.toString('hex')

class Wrong extends Error {}
function must(holds, sentence) {
  if (!holds) throw new Wrong(sentence)
}

function hashes(list) {
  must(Array.isArray(list), 'a path is no list')
  return list.map((one) => {
    must(/^[0-9a-f]{64}$/.test(one), `${one} is no hash`)
    return Buffer.from(one, 'hex')
  })
}

// The largest power of two below n (RFC 6962, 2.1).
function split(n) {
  let k = 1
  while (k * 2 < n) k *= 2
  return k
}

// The root by PATH(m, D[n]) (2.1.1), read from its end.
function rootBy(hash, m, n, path) {
  if (n === 1) return path.length === 0 ? hash : null
  if (path.length === 0) return null
  const k = split(n)
  const last = path.at(-1)
  const inner = m < k ? rootBy(hash, m, k, path.slice(0, -1)) : rootBy(hash, m - k, n - k, path.slice(0, -1))
  return inner && (m < k ? node(inner, last) : node(last, inner))
}

// Both roots by SUBPROOF(m, D[n], b) (2.1.2), read from its end.
function rootsBy(m, n, path, whole, known) {
  if (m === n) {
    if (whole) return path.length === 0 ? [known, known] : null
    return path.length === 1 ? [path[0], path[0]] : null
  }
  if (path.length === 0) return null
  const k = split(n)
  const last = path.at(-1)
  const rest = path.slice(0, -1)
  if (m <= k) {
    const both = rootsBy(m, k, rest, whole, known)
    return both && [both[0], node(both[1], last)]
  }
  const both = rootsBy(m - k, n - k, rest, false, known)
  return both && [node(last, both[0]), node(last, both[1])]
}

const same = (one, other) => one !== null && Buffer.compare(one, other) === 0

// What one entry says yes to.
function entry(one, size, root) {
  must(one.place < size, `entry ${one.place} has no place in a record of ${size}`)
  const path = hashes(one.path)
  must(same(rootBy(leaf(one.entry), one.place, size, path), root), `entry ${one.place} is not in the record`)
  const said = JSON.parse(one.entry)
  must(Object.keys(said).sort().join() === KEYS, `entry ${one.place} is no entry of a record`)
  must(/^[0-9a-f]{32}$/.test(said.salt), `entry ${one.place} has no salt`)
  const yes = said.act === 'cleared_for' || (said.act === 'answered' && said.facts.verdict === 'yes')
  return yes ? (said.facts.fingerprints ?? []) : []
}

function check(proof, held, files) {
  must(proof !== null && typeof proof === 'object' && proof.format === FORMAT, 'its format is another')
  must(Number.isInteger(proof.size) && proof.size > 0, 'it says no size')
  const [root] = hashes([proof.root])
  must(Array.isArray(proof.entries) && proof.entries.length > 0, 'it has no entry, so it proves nothing')
  proof.entries.reduce((before, one) => {
    must(Number.isInteger(one.place) && one.place > before, 'an entry comes twice, or not in its order')
    return one.place
  }, -1)
  const said = proof.entries.flatMap((one) => entry(one, proof.size, root))
  must(proof.contents !== null && typeof proof.contents === 'object', 'it has no contents')
  for (const [fingerprint, content] of Object.entries(proof.contents)) {
    must(hex(sha(Buffer.from(String(content), 'utf8'))) === fingerprint, `content ${fingerprint} has another one`)
  }
  if (held) grown(proof, held, root)
  const yes = said.map((one) => proof.contents[one]).filter((one) => one !== undefined)
  const digests = yes.flatMap((one) => JSON.parse(one).media.map((file) => file.digest))
  for (const file of files) {
    must(digests.includes(hex(sha(readFileSync(file)))), `${file} is none of the files that were said yes to`)
  }
  return `Right: ${proof.entries.length} entries of ${proof.client}, in a record of ${proof.size}.`
}

function grown(proof, held, root) {
  must(/^\d+:[0-9a-f]{64}$/.test(held), `${held} is not SIZE:ROOT`)
  const [size, top] = held.split(':')
  if (Number(size) === proof.size) return must(top === proof.root, 'it is another record of that size')
  must(Array.isArray(proof.earlier), 'what stood in mails is no list')
  const one = proof.earlier.find((each) => each.size === Number(size))
  must(one && one.root === top && one.size > 0 && one.size < proof.size, `it has not grown from ${size} entries`)
  const [old] = hashes([top])
  const both = rootsBy(one.size, proof.size, hashes(one.path), true, old)
  must(both && same(both[0], old) && same(both[1], root), `it has not grown from ${size} entries`)
}

const args = process.argv.slice(2)
const at = args.indexOf('--held')
const held = at < 0 ? undefined : args.splice(at, 2)[1]
try {
  console.log(check(JSON.parse(readFileSync(args[0], 'utf8')), held, args.slice(1)))
} catch (error) {
  if (!(error instanceof Wrong || error instanceof SyntaxError || error instanceof TypeError)) throw error
  console.log(`Wrong: ${error instanceof Wrong ? error.message : 'it is not what proves a sign-off sheet'}.`)
  process.exit(1)
}
