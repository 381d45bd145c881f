// How times are shown: as the reader's profile says (own zone, language of dates, 12 or 24 hours); what is planned,
// in the client's zone, with the zone named when it is not the reader's own.
import { shallowReactive } from 'vue'

/** Until somebody is signed in, what their browser says. */
const reader = shallowReactive({
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  hour12: false,
  language: 'en-GB',
})

export function readAs(profile: { zone: string; hour12: boolean; date_language: string }): void {
  Object.assign(reader, { zone: profile.zone, hour12: profile.hour12, language: profile.date_language })
}

export function readerZone(): string {
  return reader.zone
}
export function readerLanguage(): string {
  return reader.language
}
export function readsTwelve(): boolean {
  return reader.hour12
}

/** What the clock on the wall shows there, such as 2026-10-15T07:30. */
export function wallAt(at: string, zone: string): string {
  const parts = new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  }).formatToParts(new Date(at))
  const of = (type: string) => parts.find((one) => one.type === type)!.value
  return `${of('year')}-${of('month')}-${of('day')}T${of('hour')}:${of('minute')}`
}

function format(at: string, zone: string, options: Intl.DateTimeFormatOptions): string {
  return new Intl.DateTimeFormat(reader.language, { timeZone: zone, ...options })
    .format(new Date(at))
    .replaceAll(',', '')
}

/** "7:30", or "7:30 am" for who reads it so. */
function clock(at: string, zone: string, seconds = false): string {
  const options: Intl.DateTimeFormatOptions = {
    timeZone: zone,
    hour: 'numeric',
    minute: '2-digit',
    second: seconds ? '2-digit' : undefined,
  }
  const made = new Intl.DateTimeFormat(reader.language, {
    ...options,
    ...(reader.hour12 ? { hour12: true } : { hourCycle: 'h23' }),
  }).formatToParts(new Date(at))
  return made.map((part) => (part.type === 'hour' ? String(Number(part.value)) : part.value)).join('')
}

/** "7:30" of a wall time such as 2026-10-15T07:30, whatever its zone. */
export function wallClock(wall: string): string {
  return clock(`${wall.slice(0, 16)}:00Z`, 'UTC')
}

/** "Sat 17 Oct, 12:10" of a planned time, with its place when the reader lives elsewhere. */
export function plannedWall(time: { wall: string; zone: string }): string {
  const at = `${time.wall.slice(0, 16)}:00Z`
  const text = `${dated(at, 'UTC')}, ${clock(at, 'UTC')}`
  return time.zone === reader.zone ? text : `${text} ${place(time.zone)}`
}

const weekday = (at: string, zone: string) => format(at, zone, { weekday: 'short' })
const date = (at: string, zone: string) => format(at, zone, { day: 'numeric', month: 'short' })
const dated = (at: string, zone: string) => format(at, zone, { weekday: 'short', day: 'numeric', month: 'short' })

export function place(zone: string): string {
  return (zone.split('/').pop() ?? zone).replaceAll('_', ' ')
}

/** "Thu 15 Oct, 7:30", with "(14:30 yours)" and the place when the reader lives elsewhere; "(Fri 1:30 yours)" when it is another day there. */
export function planned(at: string, zone: string): string {
  const text = `${dated(at, zone)}, ${clock(at, zone)}`
  if (sameOffset(at, zone)) return text
  return `${text} ${place(zone)} (${yours(at, zone)})`
}

/** "17:00 yours"; "Fri 1:30 yours" when it is another day there. */
function yours(at: string, zone: string): string {
  const day = date(at, zone) === date(at, reader.zone) ? '' : `${weekday(at, reader.zone)} `
  return `${day}${clock(at, reader.zone)} yours`
}

/** By the reader's clock: "7:30" today, "Thu 7:30" in the coming and past days, "15 Oct, 7:30" further away. */
export function brief(at: string, now: string): string {
  return shortly(at, now, reader.zone)
}

/** The same by the clock of a client, with its place and the reader's own time where they live elsewhere: "Thu 10:00 Denver (17:00 yours)". */
export function briefThere(at: string, now: string, zone: string): string {
  const [there, own] = bothClocks(at, now, zone)
  return own ? `${there} (${own})` : there
}

/** The same as two, for two lines: "Thu 10:00 Denver" and "17:00 yours"; alone where both clocks are one. */
export function bothClocks(at: string, now: string, zone: string): [string, string?] {
  const text = shortly(at, now, zone)
  return sameOffset(at, zone) ? [text] : [`${text} ${place(zone)}`, yours(at, zone)]
}

function shortly(at: string, now: string, zone: string): string {
  const days = Math.abs(new Date(at).getTime() - new Date(now).getTime()) / 86_400_000
  if (days < 1 && date(at, zone) === date(now, zone)) return clock(at, zone)
  return days < 6 ? `${weekday(at, zone)} ${clock(at, zone)}` : `${date(at, zone)}, ${clock(at, zone)}`
}

/** "2 d", "5 h", "12 min": how long something has waited. */
export function age(since: string, now: string): string {
  const minutes = Math.max(0, Math.floor((new Date(now).getTime() - new Date(since).getTime()) / 60_000))
  if (minutes < 60) return `${minutes} min`
  if (minutes < 48 * 60) return `${Math.floor(minutes / 60)} h`
  return `${Math.floor(minutes / 1440)} d`
}

/** "Wednesday 14 October". */
export function heading(now: string): string {
  return format(now, reader.zone, { weekday: 'long', day: 'numeric', month: 'long' })
}

/** "14 Oct, 10:20", with the seconds where the order of things matters. */
export function moment(at: string, seconds = false): string {
  return `${date(at, reader.zone)}, ${clock(at, reader.zone, seconds)}`
}

/** "10:20:05". */
export function exactly(at: string): string {
  return clock(at, reader.zone, true)
}

/** "28 October". */
export function longDay(at: string): string {
  return format(at, reader.zone, { day: 'numeric', month: 'long' })
}

/** "October 2026" of a month such as 2026-10. */
export function monthYear(month: string): string {
  return format(`${month}-01`, 'UTC', { month: 'long', year: 'numeric' })
}

/** "Mon" of a day such as 2026-10-12. */
export function weekdayOf(day: string): string {
  return weekday(day, 'UTC')
}

/** "March", with the year when it is not this one. */
export function month(at: string, now: string): string {
  return format(at, reader.zone, { month: 'long', year: at.slice(0, 4) === now.slice(0, 4) ? undefined : 'numeric' })
}

/** "October 2026" of a day such as 2026-10-14. */
export function monthOf(iso: string): string {
  return format(iso.slice(0, 10), 'UTC', { month: 'long', year: 'numeric' })
}

/** A date and a time as a profile would show them, to choose by. */
export function example(at: string, profile: { zone?: string; hour12: boolean; date_language: string }): string {
  return new Intl.DateTimeFormat(profile.date_language, {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    hour: 'numeric',
    minute: '2-digit',
    hour12: profile.hour12,
    timeZone: profile.zone,
  }).format(new Date(at))
}

/** The weekdays of days in as few letters as the language has: "M", "T". */
export function weekdays(days: string[]): string[] {
  return days.map((day) => format(day, 'UTC', { weekday: 'narrow' }))
}

/** A calendar day, which is the same in every zone: "15 Oct", "Thu 15 Oct", "Thu 15 Oct 2026". */
export function calendarDay(iso: string, more: { weekday?: boolean; year?: boolean } = {}): string {
  return format(iso.slice(0, 10), 'UTC', {
    weekday: more.weekday ? 'short' : undefined,
    day: 'numeric',
    month: 'short',
    year: more.year ? 'numeric' : undefined,
  })
}

function sameOffset(at: string, zone: string): boolean {
  return (
    zone === reader.zone || (clock(at, zone) === clock(at, reader.zone) && date(at, zone) === date(at, reader.zone))
  )
}
