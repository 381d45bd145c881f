// Where something can stand in the plan: a day, an hour of it, or a day on one channel. As text it is the name of a
// cell: 2026-10-15, 2026-10-15T07, 2026-10-15@channel; a minute is 2026-10-15T07:45.
import { daysOn, type Time } from './period'

export interface Place {
  day: string
  hour?: number
  minute?: number
  channel?: string
}
export type View = 'month' | 'week' | 'channels' | 'wall' | 'year' | 'list'
const NOON = 12
const two = (n: number) => String(n).padStart(2, '0')

export function idOf(place: Place): string {
  const minute = place.minute === undefined ? '' : `:${two(place.minute)}`
  const hour = place.hour === undefined ? '' : `T${two(place.hour)}${minute}`
  return `${place.day}${hour}${place.channel === undefined ? '' : `@${place.channel}`}`
}

export function placeOf(id: string): Place {
  const [when, channel] = id.split('@') as [string, string?]
  const [day, clock] = when.split('T') as [string, string?]
  const [hour, minute] = (clock ?? '').split(':') as [string, string?]
  return {
    day,
    ...(hour ? { hour: Number(hour) } : {}),
    ...(minute ? { minute: Number(minute) } : {}),
    ...(channel === undefined ? {} : { channel }),
  }
}

/** The place beside this one: dx to the right, dy down. A week ends with its days, hours and channels with their own. */
export function stepFrom(view: View, id: string, dx: number, dy: number, channels: string[]): string {
  const from = placeOf(id)
  if (view === 'month') return idOf({ day: daysOn(from.day, dx + 7 * dy) })
  if (view === 'week')
    return idOf({ day: daysOn(from.day, dx), hour: Math.min(23, Math.max(0, (from.hour ?? NOON) + dy)) })
  const at = channels.indexOf(from.channel ?? '')
  const channel = channels[Math.min(channels.length - 1, Math.max(0, at + dx))]
  return idOf({ day: daysOn(from.day, dy), ...(channel === undefined ? {} : { channel }) })
}

/** The wall time that something has in a place: its own minute, and its own hour where the place has none. */
export function wallIn(id: string, wall: string | null): string {
  const { day, hour, minute: said } = placeOf(id)
  const [own, minute] = wall ? [wall.slice(11, 13), wall.slice(14, 16)] : [two(NOON), '00']
  return `${day}T${hour === undefined ? own : two(hour)}:${said === undefined ? minute : two(said)}`
}

/** As much later on the clock of its own zone. */
export function laterBy(time: Time, minutes: number): Time {
  const wall = new Date(Date.parse(`${time.wall}Z`) + minutes * 60_000).toISOString().slice(0, 19)
  return { ...time, wall }
}

/** Minutes from one wall time to another, whatever the clocks do between them. */
export function minutesBetween(from: string, to: string): number {
  return Math.round((Date.parse(`${to.slice(0, 16)}:00Z`) - Date.parse(`${from.slice(0, 16)}:00Z`)) / 60_000)
}
