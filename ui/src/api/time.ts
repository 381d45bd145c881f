// How times are shown: in the client's zone, with the zone named when it is not the reader's own.

const here = Intl.DateTimeFormat().resolvedOptions().timeZone

function parts(at: string, zone: string): Record<string, string> {
  const format = new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'short', day: 'numeric', month: 'short', hour: 'numeric', minute: '2-digit', hourCycle: 'h23' })
  return Object.fromEntries(format.formatToParts(new Date(at)).map((part) => [part.type, part.value]))
}

function clock(p: Record<string, string>): string {
  return `${Number(p.hour)}:${p.minute}`
}

export function place(zone: string): string {
  return (zone.split('/').pop() ?? zone).replaceAll('_', ' ')
}

/** "Thu 15 Oct, 7:30", with "(14:30 yours)" and the place when the reader lives elsewhere. */
export function planned(at: string, zone: string): string {
  const p = parts(at, zone)
  const text = `${p.weekday} ${p.day} ${p.month}, ${clock(p)}`
  if (sameOffset(at, zone)) return text
  return `${text} ${place(zone)} (${clock(parts(at, here))} yours)`
}

/** "7:30" today, "Thu 7:30" in the coming and past days, "15 Oct" further away. */
export function brief(at: string, now: string, zone: string = here): string {
  const p = parts(at, zone)
  const today = parts(now, zone)
  const days = Math.abs(new Date(at).getTime() - new Date(now).getTime()) / 86_400_000
  if (days < 1 && p.day === today.day) return clock(p)
  return days < 6 ? `${p.weekday} ${clock(p)}` : `${p.day} ${p.month}, ${clock(p)}`
}

/** "2 d", "5 h", "12 min": how long something has waited. */
export function age(since: string, now: string): string {
  const minutes = Math.max(0, Math.floor((new Date(now).getTime() - new Date(since).getTime()) / 60_000))
  if (minutes < 60) return `${minutes} min`
  if (minutes < 48 * 60) return `${Math.floor(minutes / 60)} h`
  return `${Math.floor(minutes / 1440)} d`
}

export function heading(now: string): string {
  return new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' }).format(new Date(now)).replace(',', '')
}

function sameOffset(at: string, zone: string): boolean {
  return zone === here || clock(parts(at, zone)) === clock(parts(at, here))
}
