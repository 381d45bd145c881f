// How the library's pickers speak to the reader: the language of dates of their profile, the day on which weeks start
// there, and 12 or 24 hours. Made from what the browser knows of languages, so that none has to be shipped.
import dayjs from 'dayjs'
import english from 'ant-design-vue/es/date-picker/locale/en_GB'
import { readerLanguage, readsTwelve } from '@/api/time'

/** 1 for Monday, 0 for Sunday, as that language's readers expect it. */
export function weekStart(language: string): number {
  const locale = new Intl.Locale(language) as Intl.Locale & {
    getWeekInfo?: () => { firstDay: number }
    weekInfo?: { firstDay: number }
  }
  const first = (locale.getWeekInfo?.() ?? locale.weekInfo)?.firstDay ?? 1
  return first === 7 ? 0 : first
}

/** Days and months are told apart by name, never by their order alone. */
export function dayFormat(language = readerLanguage()): string {
  const parts = new Intl.DateTimeFormat(language, { day: 'numeric', month: 'short', year: 'numeric' }).formatToParts(0)
  const order = parts.filter((one) => ['day', 'month', 'year'].includes(one.type)).map((one) => one.type)
  return order.map((one) => (({ day: 'D', month: 'MMM', year: 'YYYY' }) as Record<string, string>)[one]).join(' ')
}

/** How a day may be typed: with its month named, in either order, or as ISO 8601 has it. */
export const DAYS_TYPED = ['D MMM YYYY', 'MMM D YYYY', 'D MMMM YYYY', 'MMMM D YYYY', 'YYYY-MM-DD']
export const HOURS_TYPED = ['H:mm', 'HH:mm', 'h:mm a', 'h:mma']

export function clockFormat(twelve = readsTwelve()): string {
  return twelve ? 'h:mm a' : 'H:mm'
}

const named = (language: string, options: Intl.DateTimeFormatOptions, days: Date[]) =>
  days.map((day) => new Intl.DateTimeFormat(language, { ...options, timeZone: 'UTC' }).format(day).replace('.', ''))
// 4 January 2026 is a Sunday
const DAYS = Array.from({ length: 7 }, (_, at) => new Date(Date.UTC(2026, 0, 4 + at)))
const MONTHS = Array.from({ length: 12 }, (_, at) => new Date(Date.UTC(2026, at, 15)))
const known = new Map<string, typeof english>()

/** The words of a picker in the reader's language of dates. */
export function pickerLocale(language = readerLanguage()): typeof english {
  const made = known.get(language) ?? make(language)
  known.set(language, made)
  return made
}

function make(language: string): typeof english {
  const name = `reader-${language.toLowerCase()}`
  const shortMonths = named(language, { month: 'short' }, MONTHS)
  const shortWeekDays = named(language, { weekday: 'short' }, DAYS)
  dayjs.locale(
    {
      name,
      weekStart: weekStart(language),
      weekdays: named(language, { weekday: 'long' }, DAYS),
      weekdaysShort: shortWeekDays,
      weekdaysMin: named(language, { weekday: 'narrow' }, DAYS),
      months: named(language, { month: 'long' }, MONTHS),
      monthsShort: shortMonths,
      ordinal: (at: number) => at,
    } as unknown as ILocale,
    undefined,
    true,
  )
  const placeholder = 'choose a day'
  return { ...english, lang: { ...english.lang, locale: name, placeholder, shortMonths, shortWeekDays } }
}
