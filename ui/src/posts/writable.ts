// Whether a part may be written by the reader now, and why not: the permission, the channel, the seal, what is out.
import type { Adaptation, PartName, Sheet } from './sheet'

/** The master's part, or that of one channel. */
export function offFor(sheet: Sheet, part: PartName, one?: Adaptation): string | undefined {
  const can = sheet.can[`write:${part}`]
  if (can && !can.ok) return can.why
  return one ? offOn(one, part) : sealedMaster(sheet, part)
}

function offOn(one: Adaptation, part: PartName): string | undefined {
  if (one.off) return one.off
  if (one.stage === 'out') return 'It is out; what went there can no longer be changed here.'
  if (part !== 'time' && one.sealed) return 'Sealed: it has been asked for, or has its yes, exactly as it stands. Open it with “Change it”.'
  return undefined
}

/** What of the master is sealed: a part that a sealed channel follows. */
function sealedMaster(sheet: Sheet, part: PartName): string | undefined {
  if (part === 'time') return undefined
  const by = sheet.adaptations.filter((one) => one.sealed && !one.parts[part].own && one.stage !== 'out')
  if (by.length === 0) return undefined
  const one = by.length === 1
  return `Sealed: ${by.map((channel) => channel.channel.name).join(' and ')} ${one ? 'follows it and has been asked for, or has its yes' : 'follow it and have been asked for, or have their yes'}. Open it with “Change it”.`
}

/** What a save must say that it saw. */
export function seenOf(sheet: Sheet, part: PartName, one?: Adaptation) {
  const value = (one ?? sheet.master).parts[part]
  return { value: value.value, version: value.own ? value.version : 0 }
}

export interface Row {
  part: PartName
  label: string
  says: (value: unknown, sheet: Sheet) => string
}

const list = (value: unknown) => (value as { places: string[]; languages: string[] } | null) ?? { places: [], languages: [] }

/** The parts beside text, media and time, in the order in which they stand. */
export const ROWS: Row[] = [
  { part: 'format', label: 'Format', says: (value) => (value ? FORMATS[String(value)]! : 'as it comes') },
  { part: 'link', label: 'Link', says: (value) => ((value as { address: string } | null)?.address ?? 'none').replace(/^https?:\/\//, '') },
  { part: 'tagged', label: 'Tagged', says: (value) => (value as { name: string }[]).map((one) => one.name).join(', ') || 'nobody' },
  { part: 'first_comment', label: 'First comment', says: (value) => String(value ?? '') || 'none' },
  { part: 'call_to_action', label: 'Call to action', says: (value) => (value ? String(value) : 'none') },
  { part: 'audience', label: 'Audience', says: (value) => [...list(value).places, ...list(value).languages].join(', ') || 'everybody' },
  { part: 'event', label: 'Event', says: (value) => (value as { name: string } | null)?.name ?? 'none' },
  { part: 'budget', label: 'Boost', says: (value) => money(value as Money | null) },
]

export const FORMATS: Record<string, string> = {
  text: 'text alone',
  picture: 'one picture',
  pictures: 'several pictures',
  video: 'a video',
  link: 'a link with its card',
  document: 'a document',
  story: 'a story',
}

export interface Money {
  minor: number
  currency: string
}
export function digits(currency: string): number {
  return new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2
}
export function money(value: Money | null): string {
  if (!value) return 'none'
  const places = digits(value.currency)
  return `${value.currency} ${(value.minor / 10 ** places).toFixed(places)}`
}

/** Which rows a column shows: what its network takes, and what is written there already. */
export function offered(part: PartName, one: Adaptation): boolean {
  const offers = one.offers
  if (part === 'format') return offers.formats.length > 1
  if (part === 'link') return true
  return part in offers && offers[part as 'tagged'] !== null
}
