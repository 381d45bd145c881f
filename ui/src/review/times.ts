// Wall times as the client knows them: their own clock, no zone arithmetic.
const DAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday']
const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December']

export function wallTime(wall: string | null): string {
  const m = /^(\d+)-(\d+)-(\d+)T(\d+):(\d+)/.exec(wall ?? '')
  if (!m) return 'No time planned yet'
  const [year, month, day, hour, minute] = m.slice(1).map(Number) as [number, number, number, number, number]
  const weekday = DAYS[new Date(Date.UTC(year, month - 1, day)).getUTCDay()]
  return `${weekday} ${day} ${MONTHS[month - 1]}, ${hour}:${String(minute).padStart(2, '0')}`
}

export function dueTime(at: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { timeZone: zone, weekday: 'long', hour: 'numeric', minute: '2-digit', hourCycle: 'h23' }).format(new Date(at))
}
