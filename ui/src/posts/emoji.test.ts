import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { found, loadEmoji } from './emoji'

const fox = { unicode: '🦊', label: 'fox', tags: ['animal', 'sly'] }
const boat = { unicode: '⛵', label: 'sailboat', tags: ['boat', 'sea', 'resort'] }
const ferry = { unicode: '⛴️', label: 'ferry', tags: ['boat', 'passenger'] }
const motor = { unicode: '🛥️', label: 'motor boat', tags: ['ferry'] }

describe('emoji by their names', () => {
  it('puts those whose name holds the words before those whose keywords do', () => {
    expect(found([ferry, boat, motor], 'boat').map((one) => one.label)).toEqual(['sailboat', 'motor boat', 'ferry'])
  })

  it('wants every word, in whatever case and order', () => {
    expect(found([fox, boat, ferry], 'Passenger FERRY').map((one) => one.label)).toEqual(['ferry'])
    expect(found([fox, boat], 'sly boat')).toEqual([])
  })

  it('shows them all while nothing is sought, but not endlessly many', () => {
    expect(found([fox, boat], '  ')).toEqual([fox, boat])
    expect(
      found(
        Array.from({ length: 500 }, () => fox),
        '',
      ).length,
    ).toBe(160)
  })

  // The ranges that the shipped font draws stand in its own style sheet (Noto Emoji, Open Font License).
  it('offers what the shipped font can draw, but for one that is left to the system', async () => {
    const sheet = readFileSync(new URL('../../node_modules/@fontsource/noto-emoji/400.css', import.meta.url), 'utf8')
    const ranges = [...sheet.matchAll(/unicode-range: ([^;]+);/g)]
      .flatMap(([, list]) => list!.split(','))
      .map((range) =>
        range
          .trim()
          .slice(2)
          .split('-')
          .map((end) => parseInt(end, 16)),
      )
    const drawn = (point: number) => ranges.some(([from, to]) => point >= from! && point <= (to ?? from!))
    const missing = (await loadEmoji()).filter((one) => ![...one.unicode].every((sign) => drawn(sign.codePointAt(0)!)))
    expect(missing.map((one) => one.label)).toEqual(['family'])
  })

  it('leaves out what is only a part of others', async () => {
    const labels = (await loadEmoji()).map((one) => one.label)
    expect(labels).toContain('ferry')
    expect(labels.filter((label) => /skin tone$|^regional indicator/.test(label))).toEqual([])
  })
})
