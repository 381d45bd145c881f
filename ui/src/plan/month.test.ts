import { describe, expect, it } from 'vitest'
import { daysBetween, daysOn, laterBy, monthsOn } from './month'

describe('months and days', () => {
  it('go on over the end of a year, and back', () => {
    expect([monthsOn('2026-10', 3), monthsOn('2026-01', -1), monthsOn('2024-02', 12)]).toEqual([
      '2027-01',
      '2025-12',
      '2025-02',
    ])
    expect([daysOn('2024-02-28', 1), daysOn('2026-03-01', -1)]).toEqual(['2024-02-29', '2026-02-28'])
  })

  it('are counted by the calendar, whatever the clocks do', () => {
    expect(daysBetween('2026-10-24', '2026-10-26')).toBe(2)
    expect(daysBetween('2026-11-01', '2026-10-24')).toBe(-8)
  })

  it('keep the hour of the place', () => {
    expect(laterBy({ wall: '2026-10-24T07:30:00', zone: 'Europe/Lisbon' }, 2)).toEqual({
      wall: '2026-10-26T07:30:00',
      zone: 'Europe/Lisbon',
    })
  })
})
