import { beforeEach, describe, expect, it } from 'vitest'
import { readAs } from '@/api/time'
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
  beforeEach(() => readAs({ zone: 'Europe/Lisbon', hour12: false, date_language: 'en-GB' }))

  it('says what was done, where, and with which words', () => {
    expect(said(row('part_saved', { part: 'first_comment', channel: 'Ticker', after: 'Fog' }))).toBe(
      'changed the first comment on Ticker to “Fog”',
    )
    expect(said(row('answered', { verdict: 'change', words: 'Shorter', channels: ['Ticker', 'Vitrine'] }))).toBe(
      'wanted a change on Ticker and Vitrine: “Shorter”',
    )
    expect(
      said(row('released', { channel: 'Ticker', time: { wall: '2026-10-15T07:30:00', zone: 'Europe/Lisbon' } })),
    ).toBe('released it on Ticker for Thu 15 Oct, 7:30')
  })

  it('names parts and times as a person would, and no values that are none', () => {
    const wall = { wall: '2026-10-17T12:10:00', zone: 'America/Denver' }
    expect(said(row('part_saved', { part: 'time', channel: 'Ticker', after: wall }))).toBe(
      'changed the time on Ticker to Sat 17 Oct, 12:10 Denver',
    )
    expect(said(row('part_saved', { part: 'call_to_action', after: 'Learn more' }))).toBe(
      'changed the call to action to “Learn more”',
    )
    expect(said(row('part_saved', { part: 'budget', channel: 'Commons', after: { amount: 40 } }))).toBe(
      'changed the boost on Commons',
    )
    expect(said(row('part_saved', { part: 'tagged', after: [{ name: 'Pier Choir' }] }))).toBe('changed the tags to 1')
  })

  it('shortens what is long and never shows an act as nothing', () => {
    expect(said(row('part_saved', { part: 'text', after: 'x'.repeat(200) })).length).toBeLessThan(120)
    expect(said(row('something_new', {}))).toBe('something new')
  })
})
