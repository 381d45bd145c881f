import { describe, expect, it } from 'vitest'
import { daysOfMonth, firstColumn, gaps, inMonth, lanes } from './year'

describe('a year at a glance', () => {
  it('puts each day under its weekday, whichever day weeks start on', () => {
    // 1 October 2026 is a Thursday (checked against the C library: date -d 2026-10-01 +%a)
    expect([firstColumn('2026-10', 1), firstColumn('2026-10', 0), firstColumn('2026-11', 0)]).toEqual([3, 4, 0])
    expect([daysOfMonth('2028-02').length, daysOfMonth('2027-02').length]).toEqual([29, 28])
  })
  it('cuts what lasts at the ends of a month', () => {
    const fair = { first: '2026-10-30', last: '2026-12-02' }
    expect([inMonth(fair, '2026-10'), inMonth(fair, '2026-11'), inMonth(fair, '2027-01')]).toEqual([
      ['2026-10-30', '2026-10-31'],
      ['2026-11-01', '2026-11-30'],
      undefined,
    ])
  })
  it('lays campaigns of one time below each other, and puts the next where one has ended', () => {
    const named = (name: string, first: string, last: string) => ({ workspace_id: 'w', id: name, name, first, last })
    const found = lanes(
      [
        named('a', '2026-10-01', '2026-10-10'),
        named('b', '2026-10-05', '2026-10-20'),
        named('c', '2026-10-12', '2026-10-31'),
      ],
      '2026-10',
    )
    expect(found.map(({ one, lane }) => [one.name, lane])).toEqual([
      ['a', 0],
      ['b', 1],
      ['c', 0],
    ])
  })
  it('finds stretches in which nothing goes out', () => {
    expect(gaps(['2026-10-01', '2026-10-08', '2026-10-10'], 5)).toEqual([
      { from: '2026-10-02', to: '2026-10-07', days: 6 },
    ])
  })
})
