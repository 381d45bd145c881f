// What a line of words asks for: a page, a day of the plan, a client, a new post, a release. Plain words in, in any
// order that somebody would type them; what is meant comes out, the likeliest first.
import { daysOn, monthsOn } from '@/plan/calendar/period'

export interface Named {
  id: string
  name: string
}
export type Command = { key: string; words: string; beside?: string } & (
  | { kind: 'go'; to: { name: string; params?: Record<string, string>; query?: Record<string, string> } }
  | { kind: 'post'; client: string }
  | { kind: 'release'; day: string; client?: string }
)
export interface Here {
  today: string
  clients: Named[]
  /** the client that is chosen */
  client?: string
}

const PAGES: { words: string[]; name: string; label: string; ofClient?: boolean }[] = [
  { words: ['desk', 'home'], name: 'desk', label: 'Desk' },
  { words: ['plan', 'calendar'], name: 'plan', label: 'Plan' },
  { words: ['posts'], name: 'posts', label: 'Posts' },
  { words: ['material', 'media', 'library'], name: 'material', label: 'Media' },
  { words: ['ideas'], name: 'ideas', label: 'Ideas' },
  { words: ['feeds'], name: 'feeds', label: 'Feeds' },
  { words: ['partners'], name: 'partners', label: 'Partners' },
  { words: ['dispatch', 'log'], name: 'dispatch', label: 'Dispatch' },
  { words: ['networks', 'limits', 'sizes'], name: 'networks', label: 'What networks take' },
  { words: ['campaigns'], name: 'campaigns', label: 'Campaigns' },
  { words: ['brand', 'brand sheet'], name: 'brand', label: 'Brand sheet', ofClient: true },
  { words: ['people', 'members'], name: 'people', label: 'People', ofClient: true },
  { words: ['channels'], name: 'channels', label: 'Channels', ofClient: true },
  { words: ['sign-off', 'route'], name: 'route', label: 'Sign-off', ofClient: true },
  { words: ['rules', 'settings'], name: 'settings', label: 'Rules', ofClient: true },
  { words: ['record', 'history'], name: 'client-record', label: 'Record', ofClient: true },
  { words: ['labels', 'mix'], name: 'labels', label: 'Labels', ofClient: true },
  { words: ['profile', 'my profile'], name: 'profile', label: 'My profile' },
]
const MONTHS = [
  'january',
  'february',
  'march',
  'april',
  'may',
  'june',
  'july',
  'august',
  'september',
  'october',
  'november',
  'december',
]
const SMALL = /\b(?:go to|goto|open|show|the|for|of|in|at|to|please)\b/g
const tidy = (text: string) =>
  text
    .toLowerCase()
    .replace(SMALL, ' ')
    .replace(/['’]s\b/g, '')
    .replace(/\s+/g, ' ')
    .trim()

export function commands(text: string, here: Here): Command[] {
  const words = tidy(text)
  if (words === '') return []
  const { rest, clients } = takeClient(words, here)
  return [
    ...releases(words, here),
    ...newPosts(words, here),
    ...days(rest, clients[0]?.id ?? here.client, here),
    ...pages(rest, clients, here),
    ...named(words, here),
  ]
}

/** The clients that one of the words begins the name of, and the words that are left. */
function takeClient(words: string, here: Here): { rest: string; clients: Named[] } {
  const parts = words.split(' ')
  const hit = parts.find((part) => part.length > 2 && here.clients.some((one) => begins(one.name, part)))
  if (!hit) return { rest: words, clients: [] }
  const clients = here.clients.filter((one) => begins(one.name, hit))
  const name = new Set(clients.flatMap((one) => one.name.toLowerCase().split(' ')))
  return { rest: parts.filter((part) => part !== hit && !name.has(part)).join(' '), clients }
}
const begins = (name: string, part: string) =>
  name
    .toLowerCase()
    .split(/\s+/)
    .some((word) => word.startsWith(part))

function releases(words: string, here: Here): Command[] {
  const found = /^release( all)?( today| tomorrow)?\b/.exec(words)
  if (!found) return []
  const { clients } = takeClient(words, here)
  const client = clients[0]?.id ?? here.client
  const day = found[2]?.trim() === 'tomorrow' ? daysOn(here.today, 1) : here.today
  const when = day === here.today ? 'today' : 'tomorrow'
  return [
    {
      kind: 'release',
      key: `release ${day}`,
      day,
      client,
      words: `Release what is cleared for ${when} …`,
      beside: nameOf(client, here),
    },
  ]
}

function newPosts(words: string, here: Here): Command[] {
  if (!/^(new( post)?|write|draft)\b/.test(words)) return []
  const { clients } = takeClient(words, here)
  const of = clients.length > 0 ? clients : here.clients.filter((one) => !here.client || one.id === here.client)
  return of.map((one) => ({ kind: 'post', key: `new ${one.id}`, client: one.id, words: 'New post', beside: one.name }))
}

function days(words: string, client: string | undefined, here: Here): Command[] {
  const day = dayOf(words, here.today)
  if (!day) return []
  const query = { ...(client ? { client } : {}), day: day.day, ...(day.view ? { view: day.view } : {}) }
  return [
    {
      kind: 'go',
      key: `day ${day.day}`,
      words: `Plan, ${day.words}`,
      beside: nameOf(client, here),
      to: { name: 'plan', query },
    },
  ]
}

/** A day, a week or a month that words name; of a month without a year the one that is nearest. */
export function dayOf(words: string, today: string): { day: string; words: string; view?: string } | undefined {
  const near: Record<string, { day: string; view?: string }> = {
    today: { day: today },
    tomorrow: { day: daysOn(today, 1) },
    'this week': { day: today, view: 'week' },
    'next week': { day: daysOn(today, 7), view: 'week' },
    'last week': { day: daysOn(today, -7), view: 'week' },
    'this month': { day: today },
    'next month': { day: monthsOn(today, 1) },
    'last month': { day: monthsOn(today, -1) },
    'this year': { day: today, view: 'year' },
    'next year': { day: monthsOn(today, 12), view: 'year' },
  }
  if (near[words]) return { ...near[words], words }
  const iso = /^\d{4}-\d\d-\d\d$/.exec(words)
  if (iso && !Number.isNaN(Date.parse(words))) return { day: words, words }
  const year = /^(20\d\d)$/.exec(words)
  if (year) return { day: `${words}-01-01`, words, view: 'year' }
  const week = /^week (\d{1,2})(?: (20\d\d))?$/.exec(words)
  if (week) return weekOf(Number(week[1]), week[2] ?? today.slice(0, 4))
  const found = /^(?:(\d{1,2})\.? )?([a-z]{3,9})(?: (\d{1,2}))?(?: (20\d\d))?$/.exec(words)
  const month = found ? MONTHS.findIndex((name) => name.startsWith(found[2]!)) : -1
  if (!found || month < 0) return undefined
  return inMonth(month, Number(found[1] ?? found[3] ?? 0), found[4], today)
}

function weekOf(number: number, year: string): { day: string; words: string; view: string } | undefined {
  if (number < 1 || number > 53) return undefined
  // the week of 4 January is the first: ISO 8601
  const fourth = `${year}-01-04`
  const monday = daysOn(fourth, -((new Date(`${fourth}T00:00:00Z`).getUTCDay() + 6) % 7))
  return { day: daysOn(monday, 7 * (number - 1)), words: `week ${number}`, view: 'week' }
}

function inMonth(month: number, date: number, year: string | undefined, today: string) {
  const now = Number(today.slice(0, 4)) * 12 + Number(today.slice(5, 7)) - 1
  const from = Number(today.slice(0, 4))
  const years = year ? [Number(year)] : [from - 1, from, from + 1]
  const nearest = years.reduce((one, other) =>
    Math.abs(other * 12 + month - now) < Math.abs(one * 12 + month - now) ? other : one,
  )
  const two = (n: number) => String(n).padStart(2, '0')
  const last = new Date(Date.UTC(nearest, month + 1, 0)).getUTCDate()
  if (date > last) return undefined
  const name = MONTHS[month]!.replace(/^./, (letter) => letter.toUpperCase())
  const words = [date || '', name, nearest].filter(Boolean).join(' ')
  return { day: `${nearest}-${two(month + 1)}-${two(date || 1)}`, words }
}

function pages(words: string, clients: Named[], here: Here): Command[] {
  if (words === '') return []
  const found = PAGES.filter((page) => page.words.some((word) => word.startsWith(words)))
  return found.flatMap((page): Command[] => {
    const of = clients.length > 0 ? clients : here.clients.filter((one) => one.id === here.client)
    if (!page.ofClient) {
      const client = of[0]?.id
      const query: Record<string, string> = client && page.name !== 'profile' ? { client } : {}
      return [
        { kind: 'go', key: page.name, words: page.label, beside: nameOf(client, here), to: { name: page.name, query } },
      ]
    }
    return of.map((one) => ({
      kind: 'go',
      key: `${page.name} ${one.id}`,
      words: page.label,
      beside: one.name,
      to: { name: page.name, params: { workspace: one.id } },
    }))
  })
}

function named(words: string, here: Here): Command[] {
  return here.clients
    .filter((one) => one.name.toLowerCase().includes(words))
    .flatMap((one): Command[] =>
      (['desk', 'plan'] as const).map((name) => ({
        kind: 'go',
        key: `${name} of ${one.id}`,
        words: one.name,
        beside: name === 'desk' ? 'Desk' : 'Plan',
        to: { name, query: { client: one.id } },
      })),
    )
}
const nameOf = (client: string | undefined, here: Here) => here.clients.find((one) => one.id === client)?.name
