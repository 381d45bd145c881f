import { describe, expect, it } from 'vitest'
import { found } from './emoji'
import { occurrences, replaced } from './replace'
import { plainly } from './plainly'
import { spread } from './spread'

describe('find and replace', () => {
  it('takes what is typed as it is', () => {
    expect(replaced('7:20 (fog) costs $1', '(fog) costs $1', '$& free', true)).toBe('7:20 $& free')
    expect(occurrences('Boat boat BOAT', 'boat', false)).toBe(3)
    expect(occurrences('Boat boat BOAT', 'boat', true)).toBe(1)
    expect(occurrences('anything', '', false)).toBe(0)
  })
})

describe('emoji by name', () => {
  const all = [
    { unicode: '⛴️', label: 'ferry', tags: ['boat', 'passenger'] },
    { unicode: '🚤', label: 'speedboat', tags: ['boat'] },
    { unicode: '🌫️', label: 'fog', tags: ['cloud'] },
  ]
  it('finds names first, then keywords, and every word must fit', () => {
    expect(found(all, 'boat').map((one) => one.label)).toEqual(['speedboat', 'ferry'])
    expect(found(all, 'boat passenger').map((one) => one.label)).toEqual(['ferry'])
    expect(found(all, '').length).toBe(3)
  })
})

describe('the spread of times', () => {
  const at = (time: string) => `2026-10-15T${time}:00Z`
  it('all at one minute is one heap', () => {
    expect(spread([at('06:30'), at('06:30'), at('06:30')])).toMatchObject({
      heaps: [{ at: 0, count: 3 }],
      words: 'all 3 in the same minute',
    })
  })
  it('apart stands apart, along the time between first and last', () => {
    const found = spread([at('06:30'), at('06:50'), at('11:10')])!
    expect(found.heaps.map((heap) => Math.round(heap.at * 100))).toEqual([0, 7, 100])
    expect(found.words).toBe('spread over 4 h 40 min')
  })
  it('is nothing for one time', () => {
    expect(spread([at('06:30')])).toBeNull()
  })
})

describe('what somebody else made of a part', () => {
  it('is said in words', () => {
    expect(plainly({ places: ['Lisbon'], languages: [] })).toBe('Lisbon')
    expect(plainly({ name: 'Fair', place: '', starts: '2026-10-20T10:00', ends: null })).toBe('Fair, 2026-10-20T10:00')
    expect([null, '', [], {}].map(plainly)).toEqual(['nothing', 'nothing', 'nothing', 'nothing'])
  })
})
