// What is shown of the parts of a post, and what a save says. Whether one may be written is decided by the server.
import { money, type Money } from '@/api/money'
import shared from '@/api/shared.json'
import type { Adaptation, PartName, Sheet } from './sheet'

/** Why the reader may not write the master's part, or that of one channel, now: what the server says. */
export function offFor(sheet: Sheet, part: PartName, one?: Adaptation): string | undefined {
  return (one ?? sheet.master).parts[part].off ?? undefined
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

const list = (value: unknown) =>
  (value as { places: string[]; languages: string[] } | null) ?? { places: [], languages: [] }

/** The parts beside text, media and time, in the order in which they stand. */
export const ROWS: Row[] = [
  { part: 'format', label: 'Format', says: (value) => (value ? FORMATS[String(value)]! : 'automatic') },
  {
    part: 'link',
    label: 'Link',
    says: (value) => ((value as { address: string } | null)?.address ?? 'none').replace(/^https?:\/\//, ''),
  },
  {
    part: 'tagged',
    label: 'Tagged',
    says: (value) => (value as { name: string }[]).map((one) => one.name).join(', ') || 'nobody',
  },
  { part: 'first_comment', label: 'First comment', says: (value) => String(value ?? '') || 'none' },
  { part: 'call_to_action', label: 'Call to action', says: (value) => (value ? String(value) : 'none') },
  {
    part: 'audience',
    label: 'Audience',
    says: (value) => [...list(value).places, ...list(value).languages].join(', ') || 'everybody',
  },
  { part: 'event', label: 'Event', says: (value) => (value as { name: string } | null)?.name ?? 'none' },
  { part: 'budget', label: 'Boost', says: (value) => money(value as Money | null) },
]

/** The formats of a post in words, as the core names them. */
export const FORMATS: Record<string, string> = shared.formats

/** Which rows a column shows: what its network takes, and what is written there already. */
export function offered(part: PartName, one: Adaptation): boolean {
  const offers = one.offers
  if (part === 'format') return offers.formats.length > 1
  if (part === 'link') return true
  return part in offers && offers[part as 'tagged'] !== null
}
