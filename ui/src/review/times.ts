// Wall times as the client knows them: their own clock, no zone arithmetic.
const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday']
const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
]

export function wallTime(wall: string | null): string {
  const m = /^(\d+)-(\d+)-(\d+)T(\d+):(\d+)/.exec(wall ?? '')
  if (!m) return 'No time planned yet'
  const [year, month, day, hour, minute] = m.slice(1).map(Number) as [number, number, number, number, number]
  const weekday = DAYS[new Date(Date.UTC(year, month - 1, day)).getUTCDay()]
  return `${weekday} ${day} ${MONTHS[month - 1]}, ${hour}:${String(minute).padStart(2, '0')}`
}

/** By when a yes is wanted: with its date where the weekday alone could be taken for another, and as past when it is. */
export function dueSentence(at: string, zone: string, now: Date): string {
  const due = new Date(at)
  const past = due < now
  const near = !past && due.getTime() - now.getTime() < 6 * 86_400_000
  const day: Intl.DateTimeFormatOptions = near
    ? { weekday: 'long' }
    : { weekday: 'long', day: 'numeric', month: 'long' }
  const words = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    ...day,
    hour: 'numeric',
    minute: '2-digit',
    hourCycle: 'h23',
  }).format(due)
  return past ? `Your yes was wanted by ${words}; you can still give it.` : `Your yes is wanted by ${words}.`
}
