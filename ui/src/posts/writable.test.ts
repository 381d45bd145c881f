import { describe, expect, it } from 'vitest'
import { digits, minorOf, money } from '@/api/money'
import { overFrom, overOf } from './over'
import { offFor, offered, ROWS, seenOf } from './writable'

type Sheet = Parameters<typeof offFor>[0]
type One = NonNullable<Parameters<typeof offFor>[2]>

const part = (own: boolean, off: string | null = null) => ({ own, value: 'x', version: 5, off })
const on = (name: string, off: string | null = null) =>
  ({ stage: 'drafting', channel: { name }, parts: { text: part(false, off), time: part(false) } }) as unknown as One
const sheet = (adaptations: One[], off: string | null = null) =>
  ({ adaptations, can: {}, master: { parts: { text: part(true, off), time: part(true) } } }) as unknown as Sheet

describe('why a part cannot be written', () => {
  it('is what the server says of it, and nothing else', () => {
    expect(offFor(sheet([], 'Ticker is being sent.'), 'text')).toBe('Ticker is being sent.')
    expect(offFor(sheet([], 'Ticker is being sent.'), 'time')).toBeUndefined()
    expect(offFor(sheet([]), 'text', on('Ticker', 'Your part here is limited to other channels.'))).toBe(
      'Your part here is limited to other channels.',
    )
    expect(offFor(sheet([], 'Ticker is sealed.'), 'text', on('Vitrine'))).toBeUndefined()
  })

  it('a save says the version of an own part, and none where the channel follows', () => {
    expect(seenOf(sheet([]), 'text')).toEqual({ value: 'x', version: 5 })
    expect(seenOf(sheet([]), 'text', on('Ticker'))).toEqual({ value: 'x', version: 0 })
  })
})

describe('the lines below a column', () => {
  it('show what a network takes', () => {
    const one = { offers: { formats: ['text'], tagged: null, first_comment: 300, budget: null } } as unknown as One
    expect(
      ['format', 'link', 'tagged', 'first_comment', 'budget'].filter((name) => offered(name as 'link', one)),
    ).toEqual(['link', 'first_comment'])
  })

  it('say each part in a few words, and nothing as nothing', () => {
    const says = (name: string, value: unknown) => ROWS.find((row) => row.part === name)!.says(value, sheet([]))
    expect([says('link', { address: 'https://quillmere.example/lamp' }), says('link', null)]).toEqual([
      'quillmere.example/lamp',
      'none',
    ])
    expect([says('tagged', [{ name: 'Pier Choir' }, { name: 'Harbour Museum' }]), says('tagged', [])]).toEqual([
      'Pier Choir, Harbour Museum',
      'nobody',
    ])
    expect([says('audience', { places: ['Lisbon + 30 km'], languages: ['pt'] }), says('audience', null)]).toEqual([
      'Lisbon + 30 km, pt',
      'everybody',
    ])
    expect([says('format', 'story'), says('format', null)]).toEqual(['a story', 'automatic'])
    expect([says('event', { name: 'Museum night' }), says('call_to_action', null), says('first_comment', '')]).toEqual([
      'Museum night',
      'none',
      'none',
    ])
  })
})

// Exponents by ISO 4217: EUR 2, JPY 0, KWD 3 (from memory; Node's own data has them too).
describe('an amount', () => {
  it('is typed with a point or a comma, and kept in whole minor units of its currency', () => {
    expect([minorOf('40,50', 2), minorOf('40.5', 2), minorOf('1 200', 2), minorOf('', 2)]).toEqual([
      4050, 4050, 120_000, 0,
    ])
    expect([minorOf('40.505', 2), minorOf('forty', 2), minorOf('-3', 2), minorOf('1.200,50', 2)]).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ])
    expect(minorOf('0.07', 2)).toBe(7)
  })

  it('has the digits of its currency', () => {
    expect(['EUR', 'JPY', 'KWD'].map(digits)).toEqual([2, 0, 3])
    expect([
      money({ minor: 4050, currency: 'EUR' }),
      money({ minor: 500, currency: 'JPY' }),
      money({ minor: 1, currency: 'KWD' }),
      money(null),
    ]).toEqual(['EUR 40.50', 'JPY 500', 'KWD 0.001', 'none'])
  })
})

describe('the part over the limit', () => {
  it('begins where the core counts it, whatever a letter takes in the browser', () => {
    expect(overFrom('⛴️ fog', 2)).toBe('⛴️'.length)
    expect([overFrom('fog', 0), overFrom('fog', 9), overFrom('𝔉og', 1)]).toEqual([0, 3, 2])
  })

  it('is marked by the channel that takes least of it', () => {
    const proof = (count: number, limit: number, written: number) =>
      ({ count, limit, written }) as Parameters<typeof overOf>[0][number]['proof']
    expect(overOf([{ name: 'Commons', proof: proof(400, 60_000, 400) }])).toBeNull()
    const channels = [
      { name: 'Vitrine', proof: proof(400, 350, 350) },
      { name: 'Ticker', proof: proof(400, 300, 300) },
    ]
    expect(overOf(channels)).toEqual({ from: 300, says: 'Over the limit of Ticker from here: 400 of 300' })
  })
})
