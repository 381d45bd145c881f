// A time as people type it: "thu 7:30", "tomorrow 9", "17 oct 12:10", "in 3 days", "noon". Read in English and in the
// reader's own language of dates; what cannot be read for certain is said, never guessed.

/** What was understood: a wall time such as 2026-10-15T07:30, '' for no time, or why not. */
export type Read = { wall: string } | { wrong: string }

export interface Around {
  /** The wall time now, where the post is planned for. */
  now: string
  /** What is planned so far, '' for nothing: its day and its hour stand for what is not typed. */
  planned: string
  /** The reader's language of dates. */
  language: string
}

const DAY = 86_400_000
const date = (wall: string) => new Date(`${wall.slice(0, 10)}T00:00:00Z`)
const iso = (day: Date) => day.toISOString().slice(0, 10)
const later = (day: string, days: number) => iso(new Date(date(day).getTime() + days * DAY))
const two = (number: number) => String(number).padStart(2, '0')

/** The names of weekdays and months, long and short, in English and in the reader's language. */
function names(language: string, kind: 'weekday' | 'month'): Map<string, number> {
  const found = new Map<string, number>()
  for (const one of ['en', language])
    for (const length of ['long', 'short'] as const)
      for (let at = 0; at < (kind === 'weekday' ? 7 : 12); at += 1) {
        // 5 January 2026 is a Monday
        const day = kind === 'weekday' ? new Date(Date.UTC(2026, 0, 5 + at)) : new Date(Date.UTC(2026, at, 15))
        const name = new Intl.DateTimeFormat(one, { [kind]: length, timeZone: 'UTC' }).format(day)
        found.set(name.toLowerCase().replace('.', ''), at)
      }
  return found
}

function look(found: Map<string, number>, word: string): number | undefined {
  const typed = word.replace('.', '')
  if (found.has(typed)) return found.get(typed)
  const long = [...found].filter(([name]) => typed.length >= 3 && name.startsWith(typed)).map(([, at]) => at)
  return new Set(long).size === 1 ? long[0] : undefined
}

/** Whether that language writes the day before the month. */
function dayFirst(language: string): boolean {
  const parts = new Intl.DateTimeFormat(language, { day: 'numeric', month: 'numeric' }).formatToParts(new Date(0))
  return parts.findIndex((one) => one.type === 'day') < parts.findIndex((one) => one.type === 'month')
}

const CLOCK = /^(?:at\s+)?(\d{1,2})(?:[:.h](\d{2})|h)?\s*(am|pm|a\.m\.|p\.m\.)?$/

function clock(text: string): string | undefined {
  if (text === 'noon') return '12:00'
  if (text === 'midnight') return '00:00'
  const found = CLOCK.exec(text)
  if (!found) return undefined
  let hour = Number(found[1])
  const minute = Number(found[2] ?? 0)
  if (found[3] && (hour < 1 || hour > 12)) return undefined
  if (found[3]?.startsWith('p') && hour < 12) hour += 12
  if (found[3]?.startsWith('a') && hour === 12) hour = 0
  return hour < 24 && minute < 60 ? `${two(hour)}:${two(minute)}` : undefined
}

function real(year: number, month: number, day: number): string | undefined {
  const made = new Date(Date.UTC(year, month, day))
  return made.getUTCMonth() === month && made.getUTCDate() === day ? iso(made) : undefined
}

/** The coming one of a day without a year. */
function coming(month: number, day: number, today: string): string | undefined {
  const year = Number(today.slice(0, 4))
  const found = real(year, month, day)
  return found && found < today ? real(year + 1, month, day) : found
}

function dayOf(given: string[], around: Around): string | undefined {
  // a weekday before a date in figures says it once more
  const again = given.length > 1 && /^\d/.test(given[1]!) && /[./-]\d/.test(given[1]!)
  const words = again ? given.slice(1) : given
  const today = around.now.slice(0, 10)
  const text = words.join(' ')
  if (text === 'today') return today
  if (text === 'tomorrow') return later(today, 1)
  const ahead = /^(?:in\s+|\+)(\d{1,3})\s*(?:d|days?|w|weeks?)$/.exec(text)
  if (ahead) return later(today, Number(ahead[1]) * (/w/.test(text.slice(text.search(/\d/))) ? 7 : 1))
  const whole = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(text)
  if (whole) return real(Number(whole[1]), Number(whole[2]) - 1, Number(whole[3]))
  const figures = /^(\d{1,2})[./](\d{1,2})[./]?(\d{4})?$/.exec(text)
  if (figures) {
    const [day, month] = dayFirst(around.language) ? [figures[1], figures[2]] : [figures[2], figures[1]]
    return figures[3]
      ? real(Number(figures[3]), Number(month) - 1, Number(day))
      : coming(Number(month) - 1, Number(day), today)
  }
  const next = words[0] === 'next'
  const weekday = look(names(around.language, 'weekday'), words[next ? 1 : 0] ?? '')
  if (weekday !== undefined && words.length === (next ? 2 : 1)) {
    const ahead = (weekday - ((date(today).getUTCDay() + 6) % 7) + 7) % 7
    return later(today, ahead + (next && ahead < 7 ? 7 : 0))
  }
  return named(words, around, today)
}

function named(words: string[], around: Around, today: string): string | undefined {
  const months = names(around.language, 'month')
  const weekdays = names(around.language, 'weekday')
  // a weekday before a date says it once more
  const rest = words.length > 2 && look(weekdays, words[0]!) !== undefined ? words.slice(1) : words
  const year = /^\d{4}$/.test(rest.at(-1) ?? '') ? Number(rest.at(-1)) : undefined
  const [first, second, ...more] = year === undefined ? rest : rest.slice(0, -1)
  if (!first || !second || more.length > 0) return undefined
  const [figure, word] = /^\d/.test(first) ? [first, second] : [second, first]
  const day = /^(\d{1,2})(?:\.|st|nd|rd|th)?$/.exec(figure)
  const month = look(months, word)
  if (!day || month === undefined) return undefined
  return year === undefined ? coming(month, Number(day[1]), today) : real(year, month, Number(day[1]))
}

/** Reads what was typed. A day without an hour keeps the hour that is planned, an hour without a day the day. */
export function read(typed: string, around: Around): Read {
  const text = typed.trim().toLowerCase().replaceAll(',', ' ').replace(/\s+/g, ' ')
  if (text === '') return { wall: '' }
  const both = /^(\d{4}-\d{1,2}-\d{1,2})t(.+)$/.exec(text)
  const words = (both ? `${both[1]} ${both[2]}` : text).split(' ')
  // the hour is the longest end that reads as one: "7:30", "7 pm", "at 9"
  for (let from = Math.max(0, words.length - 3); from < words.length; from += 1) {
    const hour = clock(words.slice(from).join(' '))
    if (!hour) continue
    const before = words.slice(0, from)
    const day = before.length === 0 ? dayFor(hour, around) : dayOf(before, around)
    if (day) return { wall: `${day}T${hour}` }
  }
  const day = dayOf(words, around)
  if (day && around.planned) return { wall: `${day}T${around.planned.slice(11, 16)}` }
  if (day) return { wrong: 'Which hour? Such as “thu 7:30”.' }
  return { wrong: `“${typed.trim()}” is no time that can be read. Write it like “thu 7:30” or “17 oct 12:10”.` }
}

/** The planned day, else today, or tomorrow when that hour is over. */
function dayFor(hour: string, around: Around): string {
  if (around.planned) return around.planned.slice(0, 10)
  const today = around.now.slice(0, 10)
  return `${today}T${hour}` > around.now.slice(0, 16) ? today : later(today, 1)
}

/** A wall time moved by minutes, over the days; nothing of zones: it is what the clock on the wall shows. */
export function moved(wall: string, minutes: number): string {
  return new Date(new Date(`${wall.slice(0, 16)}:00Z`).getTime() + minutes * 60_000).toISOString().slice(0, 16)
}

/** The same day of another month, or its last one. */
export function movedByMonths(wall: string, months: number): string {
  const from = date(wall)
  const first = new Date(Date.UTC(from.getUTCFullYear(), from.getUTCMonth() + months, 1))
  const last = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate()
  first.setUTCDate(Math.min(from.getUTCDate(), last))
  return `${iso(first)}${wall.slice(10)}`
}
