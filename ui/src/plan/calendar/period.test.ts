import { describe, expect, it } from 'vitest'
import { byCell, byChannel, daysOn, monthsOn, spansOn, type Line } from './period'

describe('months and days', () => {
  it('go on over the end of a year, and back; a day that a month has not is its last', () => {
    expect([monthsOn('2026-10-14', 3), monthsOn('2026-01-31', -1), monthsOn('2024-01-31', 1)]).toEqual([
      '2027-01-14',
      '2025-12-31',
      '2024-02-29',
    ])
    expect([daysOn('2024-02-28', 1), daysOn('2026-03-01', -1)]).toEqual(['2024-02-29', '2026-02-28'])
    expect([spansOn('week', '2026-12-29', 1), spansOn('month', '2026-12-29', 1)]).toEqual(['2027-01-05', '2027-01-29'])
  })

  it('hold their lines by cell, one that goes to two channels in both', () => {
    const line = { wall: '2026-10-15T07:30', channels: [{ id: 'ti' }, { id: 'vi' }] } as Line
    const cells = byCell([line], (one) => one.channels.map((channel) => channel.id))
    expect([...cells]).toEqual([
      ['ti', [line]],
      ['vi', [line]],
    ])
  })
})

describe('a line for each channel', () => {
  it('stands alone, and still knows those that it goes out with', () => {
    const of = (...ids: string[]) => ({ post_id: 'p', channels: ids.map((id) => ({ id })) }) as unknown as Line
    const split = byChannel([of('ti', 'vi'), of('co'), of()])
    expect(split.map((line) => [line.channels.map((one) => one.id), line.together])).toEqual([
      [['ti'], ['ti', 'vi']],
      [['vi'], ['ti', 'vi']],
      [['co'], undefined],
      [[], undefined],
    ])
  })
})
