import { describe, expect, it } from 'vitest'
import { age, brief, briefThere, calendarDay, heading, moment, place, planned, readAs } from './time'
import { few, initials, list, titled } from './words'

describe('times as people read them', () => {
  const now = '2026-10-14T09:20:00Z'

  it('says only the hour for today, the weekday within days, the date beyond', () => {
    readAs({ zone: 'Europe/Lisbon', hour12: false, date_language: 'en-GB' })
    expect(brief('2026-10-14T16:00:00Z', now)).toBe('17:00')
    expect(brief('2026-10-15T06:30:00Z', now)).toBe('Thu 7:30')
    expect(brief('2026-11-01T07:30:00Z', now)).toBe('1 Nov, 7:30')
  })

  it('never gives a client’s time elsewhere without its place and one’s own', () => {
    readAs({ zone: 'Europe/Lisbon', hour12: false, date_language: 'en-GB' })
    expect(briefThere('2026-10-15T06:30:00Z', now, 'Europe/Lisbon')).toBe('Thu 7:30')
    expect(briefThere('2026-10-15T15:00:00Z', now, 'America/Denver')).toBe('Thu 9:00 Denver (16:00 yours)')
    expect(briefThere('2026-10-17T00:00:00Z', now, 'America/Denver')).toBe('Fri 18:00 Denver (Sat 1:00 yours)')
    readAs({ zone: 'America/Denver', hour12: false, date_language: 'en-GB' })
    expect(briefThere('2026-10-15T15:00:00Z', now, 'America/Denver')).toBe('Thu 9:00')
  })

  it('says how long something has waited', () => {
    expect(age('2026-10-14T09:08:00Z', now)).toBe('12 min')
    expect(age('2026-10-14T04:00:00Z', now)).toBe('5 h')
    expect(age('2026-10-12T08:40:00Z', now)).toBe('2 d')
  })

  it('follows the reader’s own zone, language and clock', () => {
    readAs({ zone: 'Europe/Lisbon', hour12: false, date_language: 'en-GB' })
    expect(heading(now)).toBe('Wednesday 14 October')
    expect(moment('2026-10-14T16:00:05Z', true)).toBe('14 Oct, 17:00:05')
    expect(planned('2026-10-15T06:30:00Z', 'Europe/Lisbon')).toBe('Thu 15 Oct, 7:30')
    expect(planned('2026-10-15T15:00:00Z', 'America/Denver')).toBe('Thu 15 Oct, 9:00 Denver (16:00 yours)')
    expect(planned('2026-10-17T00:00:00Z', 'America/Denver')).toBe('Fri 16 Oct, 18:00 Denver (Sat 1:00 yours)')
    readAs({ zone: 'America/Denver', hour12: true, date_language: 'en-GB' })
    expect(planned('2026-10-15T15:00:00Z', 'America/Denver')).toBe('Thu 15 Oct, 9:00\u202fam')
    readAs({ zone: 'Europe/Lisbon', hour12: false, date_language: 'de-DE' })
    expect(heading(now)).toBe('Mittwoch 14. Oktober')
    readAs({ zone: 'Europe/Lisbon', hour12: false, date_language: 'en-GB' })
  })

  it('says a calendar day as it is written, whatever the zone', () => {
    readAs({ zone: 'America/Denver', hour12: false, date_language: 'en-GB' })
    expect(calendarDay('2026-12-31')).toBe('31 Dec')
    expect(calendarDay('2026-12-31', { weekday: true, year: true })).toBe('Thu 31 Dec 2026')
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

describe('a list that was cut', () => {
  it('says how many it leaves out, and leaves out no single one', () => {
    const names = ['Alder', 'Basalt', 'Cinder', 'Dunmore', 'Elm', 'Fern']
    expect(few(names.slice(0, 4), 'client', 'clients')).toBe('Alder, Basalt, Cinder and Dunmore')
    expect(few(names.slice(0, 5), 'client', 'clients')).toBe('Alder, Basalt, Cinder, Dunmore and Elm')
    expect(few(names, 'client', 'clients')).toBe('Alder, Basalt, Cinder, Dunmore and 2 more clients')
  })
})
