// What the plan is narrowed to. It stands in the address, so that the way back leads to the same view and it can be
// sent on.
import { useQuery } from '@tanstack/vue-query'
import type { Ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import { STAGES } from '@/api/words'

export const KINDS = ['stages', 'waits', 'people', 'channels', 'labels', 'campaigns', 'words'] as const
export type Kind = (typeof KINDS)[number]
/** Kinds that are narrowed to, with their values by comma. */
export type Narrowing = Partial<Record<Kind, string>>
export interface Choice {
  value: string
  label: string
  /** Values that mean it too: labels that were merged into it. */
  also?: string[]
}
/** The choice that a value of the address means. */
export const meant = (offered: Choice[], value: string) =>
  offered.find((one) => one.value === value || one.also?.includes(value))

export const NAMES: Record<Kind, string> = {
  stages: 'Stage',
  waits: 'Waits for',
  people: 'Owner',
  channels: 'Channel',
  labels: 'Label',
  campaigns: 'Campaign',
  words: 'Words',
}
const OF_CLIENT: Kind[] = ['channels', 'labels', 'campaigns']
const WAITS: Choice[] = [
  { value: 'client', label: 'the client' },
  { value: 'colleague', label: 'a colleague' },
  { value: 'me', label: 'me' },
]

export function useChoices(workspace: Ref<string | undefined>) {
  return useQuery({
    queryKey: ['plan-choices', workspace],
    queryFn: () => ok(api.GET('/api/plan/choices', { params: { query: { workspace: workspace.value } } })),
  })
}

/** What each kind offers. Channels, labels and campaigns belong to one client, and are offered with one alone. */
export function offers(
  choices: Schemas['PlanChoices'] | undefined,
  ofOneClient: boolean,
): Record<Exclude<Kind, 'words'>, Choice[]> {
  const named = (rows: { id: string; name: string }[] = []) => rows.map((one) => ({ value: one.id, label: one.name }))
  return {
    stages: Object.entries(STAGES).map(([value, label]) => ({ value, label })),
    waits: WAITS,
    people: named(choices?.people),
    channels: ofOneClient ? named(choices?.channels) : [],
    labels: ofOneClient
      ? (choices?.labels ?? []).map((one) => ({ value: one.id, label: one.name, also: one.merged }))
      : [],
    campaigns: ofOneClient ? named(choices?.campaigns) : [],
  }
}

/** @param values of the address */
export function narrowingOf(values: Record<Kind, string>, ofOneClient: boolean): Narrowing {
  const kinds = KINDS.filter((kind) => ofOneClient || !OF_CLIENT.includes(kind))
  return Object.fromEntries(kinds.filter((kind) => values[kind] !== '').map((kind) => [kind, values[kind]]))
}

/** In words, for a button: "Stage: cleared, released · Waits for: the client". */
export function inWords(narrowing: Narrowing, offered: ReturnType<typeof offers>): string {
  return KINDS.filter((kind) => narrowing[kind])
    .map((kind) => {
      if (kind === 'words') return `“${narrowing.words}”`
      const names = narrowing[kind]!.split(',').map(
        (value) => meant(offered[kind], value)?.label ?? 'something that is gone',
      )
      return `${NAMES[kind]}: ${names.join(', ')}`
    })
    .join(' · ')
}
