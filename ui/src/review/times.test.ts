import { describe, expect, it } from 'vitest'
import { dueSentence, wallTime } from './times'

describe('the client’s own clock', () => {
  it('shows the wall time as it was planned, whatever zone the phone is in', () => {
    expect(wallTime('2026-10-15T07:30')).toBe('Thursday 15 October, 7:30')
    expect(wallTime('2026-11-01T01:30')).toBe('Sunday 1 November, 1:30')
    expect(wallTime(null)).toBe('No time planned yet')
  })

  it('says in the client’s zone by when, with the date where a weekday would not do, and as past what is past', () => {
    const said = (now: string) => dueSentence('2026-10-13T14:40:00Z', 'Europe/Lisbon', new Date(now))
    expect(said('2026-10-12T09:00:00Z')).toBe('Your yes is wanted by Tuesday 15:40.')
    expect(said('2026-10-05T09:00:00Z')).toBe('Your yes is wanted by Tuesday 13 October at 15:40.')
    expect(said('2026-10-14T09:00:00Z')).toBe(
      'Your yes was wanted by Tuesday 13 October at 15:40; you can still give it.',
    )
  })
})
