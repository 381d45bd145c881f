import { describe, expect, it } from 'vitest'
import { BARE, between, copy, erase, fill, fillOn, fromText, inText, lay, outcome, weeksOn, type Said } from './block'
import { idOf } from '@/plan/calendar/place'
import { daysOn } from '@/plan/calendar/period'

const days = ['2026-10-12', '2026-10-13', '2026-10-14']
const channels = ['ti', 'vi', 'gu']
const tip: Said = { clock: '09:00', word: 'weekend tip', label_id: 'l' }
const stands: Record<string, Said> = { '2026-10-12@ti': tip, '2026-10-13@vi': { ...BARE, word: 'a voice' } }
const at = (id: string) => stands[id]

describe('a block of cells', () => {
  it('lies between two corners, whichever was first', () => {
    const rows = between(days, channels, '2026-10-13@vi', '2026-10-12@ti')
    expect(rows).toEqual([
      ['2026-10-12@ti', '2026-10-12@vi'],
      ['2026-10-13@ti', '2026-10-13@vi'],
    ])
  })

  it('is filled with one thing, and erased where something stands', () => {
    const rows = between(days, channels, '2026-10-12@ti', '2026-10-12@vi')
    expect(fill(rows, BARE).put).toEqual([
      { ...BARE, day: '2026-10-12', channel_id: 'ti' },
      { ...BARE, day: '2026-10-12', channel_id: 'vi' },
    ])
    expect(erase(rows, at)).toEqual({ put: [], erase: [{ day: '2026-10-12', channel_id: 'ti' }] })
  })

  it('is filled down from its first row and right from its first column, what is empty there too', () => {
    const rows = between(days, channels, '2026-10-12@ti', '2026-10-13@vi')
    expect(fillOn(rows, 'down', at)).toEqual({
      put: [{ ...tip, day: '2026-10-13', channel_id: 'ti' }],
      erase: [{ day: '2026-10-13', channel_id: 'vi' }],
    })
    const right = fillOn(rows, 'right', at)
    expect(right.put.map((mark) => [mark.day, mark.channel_id])).toEqual([['2026-10-12', 'vi']])
  })

  it('is copied as a sheet takes it, and laid elsewhere; what does not fit is counted', () => {
    const block = copy(between(days, channels, '2026-10-12@ti', '2026-10-13@vi'), at)
    expect(inText(block)).toBe('weekend tip\t\n\ta voice')
    const { change, outside } = lay(block, days, channels, '2026-10-14@vi')
    expect(change.put).toEqual([{ ...tip, day: '2026-10-14', channel_id: 'vi' }])
    expect(outside).toBe(1)
  })

  it('comes out of a sheet with its words; formulas and dates are words too, empty cells nothing', () => {
    expect(fromText([['=SUM(A1:A3)', ' ', '–', '03/04/2026', 'two\nlines']])).toEqual([
      [
        { ...BARE, word: '=SUM(A1:A3)' },
        null,
        { ...BARE, word: '' },
        { ...BARE, word: '03/04/2026' },
        { ...BARE, word: 'two lines' },
      ],
    ])
  })

  it('is carried onto other weeks', () => {
    const marks = [{ ...tip, day: '2026-12-28', channel_id: 'ti' }]
    expect(weeksOn(marks, [1, 2], daysOn).map((mark) => mark.day)).toEqual(['2027-01-04', '2027-01-11'])
  })
})

describe('what a change came to', () => {
  const said = (word: string, day: string) => ({ ...BARE, word, day, channel_id: 'ti' })
  const cells = ['2026-10-12', '2026-10-13', '2026-10-14'].map((day) => [idOf({ day, channel: 'ti' })])

  it('filled down, the cell that it is filled from is none of those that are put', () => {
    const at = (id: string) => (id === cells[0]![0] ? { ...BARE, word: 'Tip' } : undefined)
    expect(fillOn(cells, 'down', at).put.map((mark) => mark.day)).toEqual(['2026-10-13', '2026-10-14'])
  })

  it('says how many marks it replaced and erased, and counts none that were the same or not there', () => {
    const put = [said('Tip', '2026-10-13'), said('Tip', '2026-10-14'), said('Tip', '2026-10-15')]
    const erase = [
      { day: '2026-10-16', channel_id: 'ti' },
      { day: '2026-10-17', channel_id: 'ti' },
    ]
    const before = [said('Tide', '2026-10-13'), said('Tip', '2026-10-14'), said('Pier', '2026-10-16')]
    expect(outcome({ put, erase }, before)).toEqual({ put: 2, replaced: 1, erased: 1 })
  })
})
