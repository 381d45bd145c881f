// Verifies what proves a sign-off sheet, in the browser, with its own SHA-256: nothing leaves this page. The same steps as
// in docs/verify_record.rb; sources: RFC 6962, section 2.1; RFC 9162, sections 2.1.3.2 and 2.1.4.2.
export interface Proof {
  client: string
  zone: string
  size: number
  root: string
  entries: { place: number; entry: string; path: string[] }[]
  contents: Record<string, string>
  /** who the entries speak of, by number; the record itself seals the numbers */
  names: Record<string, string>
  earlier: { size: number; root: string; path: string[] }[]
}
type Bytes = Uint8Array<ArrayBuffer>

const bytesOf = (hex: string): Bytes =>
  Uint8Array.from(hex.match(/../g) ?? [], (pair) => Number.parseInt(pair, 16)) as Bytes
export const hexOf = (bytes: Uint8Array) => [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('')
export async function sha256(bytes: BufferSource): Promise<Bytes> {
  return new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))
}
function join(first: number, ...parts: Uint8Array[]): Bytes {
  const joined = new Uint8Array(1 + parts.reduce((sum, part) => sum + part.length, 0))
  joined[0] = first
  let at = 1
  for (const part of parts) {
    joined.set(part, at)
    at += part.length
  }
  return joined
}
const leaf = (text: string) => sha256(join(0, new TextEncoder().encode(text)))
const node = (left: Uint8Array, right: Uint8Array) => sha256(join(1, left, right))
const half = (number: number) => Math.floor(number / 2)

/** Goes up from a place by a path; the right edge of the tree skips where it has no neighbour. */
async function climb(
  from: number,
  to: number,
  path: Bytes[],
  step: (one: Bytes, beside: 'left' | 'right') => Promise<void>,
): Promise<boolean> {
  let at = from
  let last = to
  for (const one of path) {
    if (last === 0) return false
    if (at % 2 === 1 || at === last) {
      await step(one, 'left')
      while (at % 2 === 0 && at !== 0) {
        at = half(at)
        last = half(last)
      }
    } else await step(one, 'right')
    at = half(at)
    last = half(last)
  }
  return last === 0
}

export async function included(entry: string, place: number, size: number, path: string[], root: string) {
  if (place < 0 || place >= size) return false
  let hash = await leaf(entry)
  const whole = await climb(place, size - 1, path.map(bytesOf), async (one, beside) => {
    hash = beside === 'left' ? await node(one, hash) : await node(hash, one)
  })
  return whole && hexOf(hash) === root
}

export async function grown(size: number, root: string, larger: number, largerRoot: string, path: string[]) {
  if (size === larger) return root === largerRoot && path.length === 0
  if (size < 1 || size > larger) return false
  const whole = Number.isInteger(Math.log2(size))
  const [first, ...rest] = [...(whole ? [root] : []), ...path].map(bytesOf)
  if (!first) return false
  let at = size - 1
  let last = larger - 1
  while (at % 2 === 1) {
    at = half(at)
    last = half(last)
  }
  let small = first
  let large = first
  const done = await climb(at, last, rest, async (one, beside) => {
    if (beside === 'left') {
      small = await node(one, small)
      large = await node(one, large)
    } else large = await node(large, one)
  })
  return done && hexOf(small) === root && hexOf(large) === largerRoot
}

export interface Said {
  place: number
  at: string
  act: string
  good: boolean
  /** whose hand it was, and in whose name */
  by: string
  person?: string
  verdict?: string
  words: string
  channels: string[]
  /** the contents that it is about, as the proof has them */
  contents: { fingerprint: string; text: string }[]
}
export interface Found {
  entries: Said[]
  contents: boolean
  /** nothing was held against it; true or false where something was */
  held?: boolean
  /** digests of the files that were said yes to */
  files: string[]
}

interface Row {
  at: string
  act: string
  person_id?: string | null
  facts: {
    verdict?: string
    words?: string
    reason?: string
    person?: string | null
    person_id?: string | null
    channels?: string[]
    fingerprints?: string[]
  }
}

/** What an entry says, with names and contents that paper can be matched to. */
function said(row: Row, proof: Proof): Omit<Said, 'place' | 'good'> {
  const { facts } = row
  const of = facts.person ?? (facts.person_id ? proof.names[facts.person_id] : undefined)
  const by = (row.person_id && proof.names[row.person_id]) || row.person_id || 'nobody'
  return {
    at: row.at,
    act: row.act,
    by,
    person: of && of !== by ? of : undefined,
    verdict: facts.verdict,
    words: facts.words ?? facts.reason ?? '',
    channels: facts.channels ?? [],
    contents: [...new Set(facts.fingerprints ?? [])].flatMap((fingerprint) => {
      const content = proof.contents[fingerprint]
      return content === undefined ? [] : [{ fingerprint, text: (JSON.parse(content) as { text?: string }).text ?? '' }]
    }),
  }
}

/** whether an entry of the record is somebody's yes, or one in their name */
function saysYes(row: { act: string; facts: { verdict?: string } }): boolean {
  return row.act === 'cleared_for' || (row.act === 'answered' && row.facts.verdict === 'yes')
}

/** @param held size and root from the foot of a mail */
export async function verify(proof: Proof, held?: { size: number; root: string }): Promise<Found> {
  const entries: Said[] = []
  const yeses: string[] = []
  for (const one of proof.entries) {
    const row = JSON.parse(one.entry) as Row
    const good = await included(one.entry, one.place, proof.size, one.path, proof.root)
    if (good && saysYes(row)) yeses.push(...(row.facts.fingerprints ?? []))
    entries.push({ place: one.place, good, ...said(row, proof) })
  }
  let contents = true
  for (const [fingerprint, content] of Object.entries(proof.contents))
    if (hexOf(await sha256(new TextEncoder().encode(content))) !== fingerprint) contents = false
  const files = yeses
    .map((fingerprint) => proof.contents[fingerprint])
    .filter((content) => content !== undefined)
    .flatMap((content) => (JSON.parse(content) as { media: { digest: string }[] }).media.map((file) => file.digest))
  const found: Found = { entries, contents, files }
  if (held) {
    const all = [...proof.earlier, { size: proof.size, root: proof.root, path: [] }]
    const top = all.find((one) => one.size === held.size && one.root === held.root)
    found.held = !!top && (await grown(held.size, held.root, proof.size, proof.root, top.path))
  }
  return found
}
