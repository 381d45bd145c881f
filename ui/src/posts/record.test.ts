import { describe, expect, it } from 'vitest'
import { said } from './record'

const row = (act: string, facts: Record<string, unknown>) => ({
  id: '1',
  at: '',
  who: 'Ines',
  by_pass: false,
  from: null,
  revision: null,
  act,
  facts,
})

describe('the record in words', () => {
  it('says what was done, where, and with which words', () => {
    expect(said(row('part_saved', { part: 'first_comment', channel: 'Ticker', after: 'Fog' }))).toBe(
      'changed the first comment on Ticker to “Fog”',
    )
    expect(said(row('answered', { verdict: 'change', words: 'Shorter', channels: ['Ticker', 'Vitrine'] }))).toBe(
      'wanted a change on Ticker and Vitrine: “Shorter”',
    )
    expect(
      said(row('released', { channel: 'Ticker', time: { wall: '2026-10-15T07:30:00', zone: 'Europe/Lisbon' } })),
    ).toBe('released it on Ticker for 2026-10-15 07:30')
  })

  it('shortens what is long and never shows an act as nothing', () => {
    expect(said(row('part_saved', { part: 'text', after: 'x'.repeat(200) })).length).toBeLessThan(120)
    expect(said(row('something_new', {}))).toBe('something new')
  })
})
