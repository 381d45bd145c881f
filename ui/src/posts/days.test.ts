import { describe, expect, it } from 'vitest'
import { span, week } from './days'

describe('the weeks of a month', () => {
  it('begin on the client’s day', () => {
    expect(span('2026-10-14', 1)).toEqual(['2026-09-28', '2026-11-01'])
    expect(span('2026-10-14', 0)).toEqual(['2026-09-27', '2026-10-31'])
    expect(span('2026-02-10', 1)).toEqual(['2026-01-26', '2026-03-01'])
  })

  // ISO 8601: the week with the year's first Thursday is week 1 (values from memory)
  it.each([
    ['2026-01-01', 1],
    ['2027-01-03', 53],
    ['2026-10-14', 42],
    ['2024-12-30', 1],
  ])('%s is in week %i', (day, number) => expect(week(day)).toBe(number))
})
