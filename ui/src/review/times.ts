// Wall times as the client knows them: their own clock, no zone arithmetic, in the language that is spoken.
import { fill, locale, t } from './language'

const at = (wall: string | null) => {
  const m = /^(\d+)-(\d+)-(\d+)T(\d+):(\d+)/.exec(wall ?? '')
  if (!m) return undefined
  const [year, month, day, hour, minute] = m.slice(1).map(Number) as [number, number, number, number, number]
  return new Date(Date.UTC(year, month - 1, day, hour, minute))
}
const format = (date: Date, how: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat(locale(), { timeZone: 'UTC', ...how }).format(date)

/** "Thursday 15 October" */
export function wallDay(wall: string | null): string {
  const date = at(wall)
  return date ? format(date, { weekday: 'long', day: 'numeric', month: 'long' }) : t().noTime
}
/** "7:30" */
export function wallClock(wall: string | null): string {
  const date = at(wall)
  return date ? format(date, { hour: 'numeric', minute: '2-digit', hourCycle: 'h23' }).replace(/^0(\d\D)/, '$1') : ''
}
/** "Thursday 15 October, 7:30" */
export const wallTime = (wall: string | null) => (at(wall) ? `${wallDay(wall)}, ${wallClock(wall)}` : t().noTime)

/** "Wednesday 14 October, 10:31", a moment by the client's clock. */
export function momentOf(at: string, zone: string): string {
  const day: Intl.DateTimeFormatOptions = { weekday: 'long', day: 'numeric', month: 'long' }
  return format(new Date(at), { ...day, timeZone: zone, hour: 'numeric', minute: '2-digit', hourCycle: 'h23' })
}

/** By when a yes is wanted: with its date where the weekday alone could be taken for another, and as past when it is. */
export function dueSentence(due_at: string, zone: string, now: Date): string {
  const due = new Date(due_at)
  const past = due < now
  const near = !past && due.getTime() - now.getTime() < 6 * 86_400_000
  const day: Intl.DateTimeFormatOptions = near
    ? { weekday: 'long' }
    : { weekday: 'long', day: 'numeric', month: 'long' }
  const time = format(due, { ...day, timeZone: zone, hour: 'numeric', minute: '2-digit', hourCycle: 'h23' })
  return fill(past ? t().yesWasBy : t().yesBy, { time })
}
