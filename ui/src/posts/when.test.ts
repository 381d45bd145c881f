import { describe, expect, it } from 'vitest'
import { moved, movedByMonths, read } from './when'

// Wednesday 14 October 2026, 10:20 in Lisbon
const around = { now: '2026-10-14T10:20', planned: '', language: 'en-GB' }
const at = (typed: string, more = {}) => read(typed, { ...around, ...more })

describe('a time as people type it', () => {
  it.each([
    ['thu 7:30', '2026-10-15T07:30'],
    ['Thursday at 7.30', '2026-10-15T07:30'],
    ['wed 12:00', '2026-10-14T12:00'],
    ['next wed 12:00', '2026-10-21T12:00'],
    ['tomorrow 9', '2026-10-15T09:00'],
    ['today 7 pm', '2026-10-14T19:00'],
    ['sat noon', '2026-10-17T12:00'],
    ['17 oct 12:10', '2026-10-17T12:10'],
    ['Oct 17th, 12:10', '2026-10-17T12:10'],
    ['sat 17 oct 2026, 12:10', '2026-10-17T12:10'],
    ['2 jan 8h', '2027-01-02T08:00'],
    ['17/10 12:10', '2026-10-17T12:10'],
    ['2026-10-17 12:10', '2026-10-17T12:10'],
    ['2026-10-17T12:10', '2026-10-17T12:10'],
    ['in 3 days 12:10', '2026-10-17T12:10'],
    ['+2w 8:00', '2026-10-28T08:00'],
    ['12am tomorrow', undefined],
    ['11:00', '2026-10-14T11:00'],
    ['9:00', '2026-10-15T09:00'],
    ['', ''],
  ])('“%s”', (typed, wall) => {
    const found = at(typed)
    if (wall === undefined) expect(found).toHaveProperty('wrong')
    else expect(found).toEqual({ wall })
  })

  it('keeps the planned hour for another day, and the planned day for another hour', () => {
    expect(at('fri', { planned: '2026-10-15T07:30' })).toEqual({ wall: '2026-10-16T07:30' })
    expect(at('20:00', { planned: '2026-10-15T07:30' })).toEqual({ wall: '2026-10-15T20:00' })
    expect(at('fri')).toEqual({ wrong: 'Which hour? Such as “thu 7:30”.' })
  })

  it('reads figures in the order of the reader’s language, and their names of days', () => {
    expect(at('3/4 9:00', { language: 'en-US' })).toEqual({ wall: '2027-03-04T09:00' })
    expect(at('3/4 9:00', { language: 'pt-PT' })).toEqual({ wall: '2027-04-03T09:00' })
    expect(at('donnerstag 7:30', { language: 'de-DE' })).toEqual({ wall: '2026-10-15T07:30' })
    expect(at('quinta-feira 7:30', { language: 'pt-PT' })).toEqual({ wall: '2026-10-15T07:30' })
    expect(at('17 okt 12:10', { language: 'de-DE' })).toEqual({ wall: '2026-10-17T12:10' })
  })

  it('says what it cannot read, and takes no day that there is not', () => {
    for (const typed of ['soon', '31 feb 9:00', '25:00', '2026-02-30 9:00', '13 pm', 't 9:00'])
      expect(at(typed)).toHaveProperty('wrong')
  })

  it('moves by quarter hours, days and months as the wall shows them', () => {
    expect(moved('2026-10-31T23:50', 15)).toBe('2026-11-01T00:05')
    expect(moved('2026-10-15T07:30', -1440)).toBe('2026-10-14T07:30')
    expect(movedByMonths('2026-01-31T07:30', 1)).toBe('2026-02-28T07:30')
    expect(movedByMonths('2026-01-31T07:30', -2)).toBe('2025-11-30T07:30')
  })
})
