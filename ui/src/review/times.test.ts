import { describe, expect, it } from 'vitest'
import { dueTime, wallTime } from './times'

describe('the client’s own clock', () => {
  it('shows the wall time as it was planned, whatever zone the phone is in', () => {
    expect(wallTime('2026-10-15T07:30')).toBe('Thursday 15 October, 7:30')
    expect(wallTime('2026-11-01T01:30')).toBe('Sunday 1 November, 1:30')
    expect(wallTime(null)).toBe('No time planned yet')
  })

  it('shows the due time in the client’s zone', () => {
    expect(dueTime('2026-10-13T14:40:00Z', 'Europe/Lisbon')).toBe('Tuesday 15:40')
  })
})
