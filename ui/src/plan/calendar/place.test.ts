import { describe, expect, it } from 'vitest'
import { idOf, laterBy, minutesBetween, placeOf, stepFrom, wallIn } from './place'

describe('places of the plan', () => {
  it('are named by day, hour and channel, and read back', () => {
    for (const place of [{ day: '2026-10-15' }, { day: '2026-10-15', hour: 7 }, { day: '2026-10-15', channel: 'c1' }])
      expect(placeOf(idOf(place))).toEqual(place)
    expect(placeOf(idOf({ day: '2026-10-15', channel: '' })).channel).toBe('')
    expect(placeOf('2026-10-15T07:45')).toEqual({ day: '2026-10-15', hour: 7, minute: 45 })
  })

  it('lie beside each other: days and weeks, days and hours, channels and days', () => {
    expect([stepFrom('month', '2026-10-31', 1, 0, []), stepFrom('month', '2026-10-14', 0, -1, [])]).toEqual([
      '2026-11-01',
      '2026-10-07',
    ])
    expect([stepFrom('week', '2026-10-14T23', 0, 1, []), stepFrom('week', '2026-10-18T07', 1, 0, [])]).toEqual([
      '2026-10-14T23',
      '2026-10-19T07',
    ])
    const channels = ['ti', 'vi']
    expect([
      stepFrom('channels', '2026-10-14@ti', 1, 0, channels),
      stepFrom('channels', '2026-10-14@vi', 1, 0, channels),
      stepFrom('channels', '2026-10-18@vi', 0, 1, channels),
    ]).toEqual(['2026-10-14@vi', '2026-10-14@vi', '2026-10-19@vi'])
  })

  it('give something its time: its own minute, its own hour where they have none, noon where it had no time', () => {
    expect(wallIn('2026-10-17', '2026-10-15T07:30')).toBe('2026-10-17T07:30')
    expect(wallIn('2026-10-17T18', '2026-10-15T07:30')).toBe('2026-10-17T18:30')
    expect(wallIn('2026-10-17T18:05', '2026-10-15T07:30')).toBe('2026-10-17T18:05')
    expect([wallIn('2026-10-17', null), wallIn('2026-10-17T08', null)]).toEqual([
      '2026-10-17T12:00',
      '2026-10-17T08:00',
    ])
  })

  it('are as far apart as the clock of the place says, whatever is done to the clocks between', () => {
    expect(minutesBetween('2026-10-24T07:30', '2026-10-26T07:30:00')).toBe(2 * 24 * 60)
    expect(laterBy({ wall: '2026-10-24T07:30:00', zone: 'Europe/Lisbon' }, 2 * 24 * 60)).toEqual({
      wall: '2026-10-26T07:30:00',
      zone: 'Europe/Lisbon',
    })
  })
})
