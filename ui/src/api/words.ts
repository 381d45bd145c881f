// The words for stages and people's initials.
import type { Schemas } from './client'

export const STAGES: Record<Schemas['Stage'], string> = {
  drafting: 'drafting',
  internal_review: 'internal review',
  client_approval: 'client approval',
  cleared: 'cleared',
  released: 'released',
  out: 'out',
  changes_wanted: 'changes wanted',
  held: 'held',
  trouble: 'trouble',
}

export function initials(name: string): string {
  return name
    .split(/\s+/)
    .map((word) => word[0] ?? '')
    .join('')
    .slice(0, 2)
    .toUpperCase()
}

export function list(words: string[]): string {
  if (words.length < 2) return words.join('')
  return `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`
}

/** The first of them, and how many more there are: "Alder, Basalt and 27 more clients". */
export function few(words: string[], one: string, more: string, most = 4): string {
  if (words.length <= most + 1) return list(words)
  return `${words.slice(0, most).join(', ')} and ${words.length - most} more ${words.length - most === 1 ? one : more}`
}

/** A number with its noun, "1 post" or "3 posts"; also with a verb, "1 post is". */
export function counted(count: number, one: string, more: string): string {
  return `${count} ${count === 1 ? one : more}`
}

export function titled(subject: string): string {
  return subject.trim() === '' ? 'Untitled' : subject
}
