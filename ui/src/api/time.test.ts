import { describe, expect, it } from 'vitest'
import { age, brief, place } from './time'
import { initials, list, titled } from './words'

describe('times as people read them', () => {
  const now = '2026-10-14T09:20:00Z'

  it('says only the hour for today, the weekday within days, the date beyond', () => {
    expect(brief('2026-10-14T16:00:00Z', now, 'Europe/Lisbon')).toBe('17:00')
    expect(brief('2026-10-15T06:30:00Z', now, 'Europe/Lisbon')).toBe('Thu 7:30')
    expect(brief('2026-11-01T07:30:00Z', now, 'America/Denver')).toBe('1 Nov, 1:30')
  })

  it('says how long something has waited', () => {
    expect(age('2026-10-14T09:08:00Z', now)).toBe('12 min')
    expect(age('2026-10-14T04:00:00Z', now)).toBe('5 h')
    expect(age('2026-10-12T08:40:00Z', now)).toBe('2 d')
  })

  it('names a place from its zone', () => {
    expect(place('America/New_York')).toBe('New York')
  })
})

describe('words', () => {
  it('lists people as a sentence does', () => {
    expect(list(['Wren'])).toBe('Wren')
    expect(list(['Wren', 'Odile', 'Per'])).toBe('Wren, Odile and Per')
    expect(list([])).toBe('')
  })

  it('gives initials and a title to what has none', () => {
    expect(initials('Odile Marchetti')).toBe('OM')
    expect(titled('  ')).toBe('Untitled')
  })
})
