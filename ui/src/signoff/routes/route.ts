// A sign-off route as it is shown and written.
import type { Schemas } from '@/api/client'
import { list } from '@/api/words'

export type Route = Schemas['Route']
export type Step = Schemas['WrittenStep'] & { roles: string[]; condition: Condition | null }
export type Condition = NonNullable<Schemas['StepCondition']>
type Known = { able: { internal: { id: string }[]; client: { id: string }[] } }

export interface Draft {
  id: string | null
  name: string
  seen: number | null
  preset: string | null
  releases_itself: boolean
  locks_time: boolean
  steps: Step[]
}

export function draftOf(route: Route): Draft {
  const { id, name, version, releases_itself, locks_time } = route
  const steps = route.steps.map((step) => ({
    id: step.id,
    name: step.name,
    side: step.side,
    quorum: step.quorum,
    n: step.n ?? null,
    hours: step.hours,
    required: step.required,
    four_eyes: step.four_eyes,
    people: [...step.people],
    roles: [...step.roles],
    condition: step.condition ? { ...step.condition } : null,
  }))
  return { id, name, seen: version, preset: null, releases_itself, locks_time, steps }
}
export const newDraft = (): Draft => ({
  id: null,
  name: '',
  seen: null,
  preset: null,
  releases_itself: false,
  locks_time: false,
  steps: [],
})
export const newStep = (known: Known, side: 'internal' | 'client', name = ''): Step => ({
  name,
  side,
  quorum: 'any',
  n: null,
  hours: side === 'client' ? 16 : 8,
  required: true,
  four_eyes: true,
  people: known.able[side].map((one) => one.id),
  roles: [],
  condition: null,
})

const QUORUM: Record<string, (n: number | null) => string> = {
  any: () => 'any one of',
  all: () => 'each of',
  n: (n) => `${n} of`,
}
/** "any one of Wren and Ines", or just "Wren". */
export function who(step: Pick<Route['steps'][number], 'names' | 'quorum' | 'n'>) {
  if (step.names.length === 0) return 'nobody is named yet, so nothing can be asked here'
  if (step.names.length === 1) return step.names[0]
  return `${QUORUM[step.quorum]?.(step.n ?? null)} ${list(step.names)}`
}
