import { describe, expect, it } from 'vitest'
import { advice, progress, type Mix } from './campaigns'

const row = (name: string, more: number) => ({
  label: { id: name, name, colour: 'ink', initials: '' },
  count: 1,
  share: 50,
  target: 50,
  more,
})
const mix = (more: Partial<Mix>): Mix => ({
  wanted: true,
  total: 3,
  distance: 16.7,
  balanced: false,
  tolerance: 7,
  reachable: true,
  rows: [row('Service', 0), row('A voice', 2)],
  ...more,
})

describe('a campaign', () => {
  it('is as far as its days', () => {
    const days = { first: '2026-10-11', last: '2026-10-20' }
    expect([progress(days, '2026-10-10'), progress(days, '2026-10-15'), progress(days, '2026-12-01')]).toEqual([
      undefined,
      0.5,
      1,
    ])
    expect(progress({ first: null, last: null }, '2026-10-10')).toBeUndefined()
  })

  it('says what its mix lacks', () => {
    expect(advice(mix({}))).toBe('16.7 points away. To come within 7, add 2 A voice.')
    expect(advice(mix({ balanced: true, distance: 4 }))).toBe('Balanced: no further than 7 points from what is wanted.')
    expect(advice(mix({ reachable: false }))).toMatch(/more posts alone will not/)
    expect([advice(mix({ wanted: false })), advice(mix({ total: 0 }))]).toEqual(['', 'No post to weigh yet.'])
  })
})
