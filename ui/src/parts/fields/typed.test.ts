import { describe, expect, it } from 'vitest'
import { DAYS_TYPED } from './picker'
import { readTyped } from './typed'

describe('what is typed into a picker', () => {
  it('is read in the reader’s own form, and in the standard’s', () => {
    const day = (text: string, language = 'en-GB') => readTyped(text, DAYS_TYPED, 'YYYY-MM-DD', language)
    expect(day('31 Dec 2026')).toBe('2026-12-31')
    expect([day('2026-12-31'), day('Dec 31 2026'), day('31 December 2026', 'en-US')]).toEqual(
      Array(3).fill('2026-12-31'),
    )
    expect(day('3 Okt 2026', 'de')).toBe('2026-10-03')
    expect([day(''), day('soon'), day('31 Feb 2026')]).toEqual(['', undefined, undefined])
  })

  it('has an hour with one figure or two', () => {
    const when = (text: string) => readTyped(text, ['D MMM YYYY H:mm', 'D MMM YYYY HH:mm'], 'YYYY-MM-DDTHH:mm', 'en-GB')
    expect([when('1 Dec 2026 7:30'), when('1 Dec 2026 07:30')]).toEqual(['2026-12-01T07:30', '2026-12-01T07:30'])
  })
})
