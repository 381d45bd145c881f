import { describe, expect, it } from 'vitest'
import { grown, hexOf, included, sha256, verify, type Proof } from './verify'

// The leaves and roots of RFC 6962's tests: from memory, recomputed; the same that spec/core/record checks.
const text = (words: string) => new TextEncoder().encode(words)
const cat = async (first: number, ...parts: Uint8Array[]) =>
  sha256(new Uint8Array([first, ...parts.flatMap((part) => [...part])]))
const leaves = (count: number) => Promise.all(Array.from({ length: count }, (_, at) => cat(0, text(`leaf ${at}`))))
async function rootOf(all: Uint8Array[]): Promise<Uint8Array> {
  if (all.length === 1) return all[0]!
  const split = 2 ** Math.floor(Math.log2(all.length - 1))
  return cat(1, await rootOf(all.slice(0, split)), await rootOf(all.slice(split)))
}
async function pathOf(at: number, all: Uint8Array[]): Promise<Uint8Array[]> {
  if (all.length < 2) return []
  const split = 2 ** Math.floor(Math.log2(all.length - 1))
  return at < split
    ? [...(await pathOf(at, all.slice(0, split))), await rootOf(all.slice(split))]
    : [...(await pathOf(at - split, all.slice(split))), await rootOf(all.slice(0, split))]
}
async function growth(size: number, all: Uint8Array[], whole = true): Promise<Uint8Array[]> {
  if (size === all.length) return whole ? [] : [await rootOf(all)]
  const split = 2 ** Math.floor(Math.log2(all.length - 1))
  return size <= split
    ? [...(await growth(size, all.slice(0, split), whole)), await rootOf(all.slice(split))]
    : [...(await growth(size - split, all.slice(split), false)), await rootOf(all.slice(0, split))]
}

describe('a proof in the browser', () => {
  it('starts from the known hashes: no leaf, and the leaf of nothing', async () => {
    expect(hexOf(await sha256(text('')))).toMatch(/^e3b0c442.*b855$/)
    expect(hexOf(await cat(0))).toMatch(/^6e340b9c.*7afa01d$/)
  })

  it('finds every leaf of every tree at its place, and no other', async () => {
    for (let size = 1; size <= 12; size += 1) {
      const all = await leaves(size)
      const root = hexOf(await rootOf(all))
      for (let at = 0; at < size; at += 1) {
        const path = (await pathOf(at, all)).map(hexOf)
        expect(await included(`leaf ${at}`, at, size, path, root)).toBe(true)
        expect(await included('forged', at, size, path, root)).toBe(false)
        expect(await included(`leaf ${at}`, size, size, path, root)).toBe(false)
      }
    }
  })

  it('knows a tree that only grew from one that was changed', async () => {
    const all = await leaves(12)
    for (let small = 1; small <= 12; small += 1) {
      const roots = [hexOf(await rootOf(all.slice(0, small))), hexOf(await rootOf(all))] as const
      const path = (await growth(small, all)).map(hexOf)
      expect(await grown(small, roots[0], 12, roots[1], path)).toBe(true)
      expect(await grown(small, '0'.repeat(64), 12, roots[1], path)).toBe(false)
    }
  })

  it('says of each entry, of the contents, of what is held and of the files whether they are right', async () => {
    const content = JSON.stringify({ media: [{ digest: 'd1' }], text: 'When fog sits on the water' })
    const fingerprint = hexOf(await sha256(text(content)))
    const entry = JSON.stringify({
      at: '2026-10-14T09:20:00Z',
      act: 'cleared_for',
      person_id: 'p-bram',
      facts: { person_id: 'p-odile', reason: 'By phone', channels: ['Vitrine'], fingerprints: [fingerprint] },
    })
    const all = [await cat(0, text('first')), await cat(0, text(entry))]
    const root = hexOf(await rootOf(all))
    const proof: Proof = {
      client: 'Quillmere Ferries',
      zone: 'Europe/Lisbon',
      names: { 'p-bram': 'Bram Teodoro', 'p-odile': 'Odile Marchetti' },
      size: 2,
      root,
      entries: [{ place: 1, entry, path: [hexOf(all[0]!)] }],
      contents: { [fingerprint]: content },
      earlier: [{ size: 1, root: hexOf(all[0]!), path: [hexOf(all[1]!)] }],
    }
    const found = await verify(proof, { size: 1, root: hexOf(all[0]!) })
    expect(found).toMatchObject({ contents: true, held: true, files: ['d1'] })
    expect(found.entries[0]).toEqual({
      place: 1,
      at: '2026-10-14T09:20:00Z',
      act: 'cleared_for',
      good: true,
      by: 'Bram Teodoro',
      person: 'Odile Marchetti',
      verdict: undefined,
      words: 'By phone',
      channels: ['Vitrine'],
      contents: [{ fingerprint, text: 'When fog sits on the water' }],
    })
    expect((await verify({ ...proof, contents: { [fingerprint]: '{"media":[]}' } })).contents).toBe(false)
    expect((await verify(proof, { size: 1, root: 'ff'.repeat(32) })).held).toBe(false)
    expect((await verify({ ...proof, root: 'ff'.repeat(32) })).entries[0]!.good).toBe(false)
  })
})
