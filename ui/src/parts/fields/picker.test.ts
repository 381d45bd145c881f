import dayjs from 'dayjs'
import { describe, expect, it } from 'vitest'
import { clockFormat, dayFormat, pickerLocale, weekStart } from './picker'

// What a language's readers expect is taken from the browser's own locale data (Unicode CLDR).
describe('the pickers', () => {
  it('put the day before the month for a reader in Lisbon, and name the month', () => {
    expect(dayFormat('pt-PT')).toBe('D MMM YYYY')
    expect(dayFormat('en-GB')).toBe('D MMM YYYY')
    expect(dayFormat('en-US')).toBe('MMM D YYYY')
  })

  it('start the week where the reader does', () => {
    expect([weekStart('en-GB'), weekStart('de'), weekStart('en-US')]).toEqual([1, 1, 0])
    pickerLocale('en-US')
    expect(dayjs('2026-10-14').locale('reader-en-us').startOf('week').format('YYYY-MM-DD')).toBe('2026-10-11')
    pickerLocale('de')
    expect(dayjs('2026-10-14').locale('reader-de').startOf('week').format('YYYY-MM-DD')).toBe('2026-10-12')
  })

  it('name days and months in the reader’s language, and keep the clock of their profile', () => {
    expect(pickerLocale('de').lang.shortMonths![9]).toBe('Okt')
    expect(pickerLocale('fr').lang.shortWeekDays![3]).toBe('mer')
    expect([clockFormat(true), clockFormat(false)]).toEqual(['h:mm a', 'H:mm'])
  })
})
