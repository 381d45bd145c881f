// What waits for others, as the Desk folds it: by person, or by client with the people in it; the worst first.
import type { Schemas } from '@/api/client'

export type Group = Schemas['Desk']['waits_for_others'][number]
export interface Fold {
  key: string
  name: string
  groups: Group[]
  open: number
  late: number
}

const late = (group: Group) => group.lines.filter((line) => line.late).length
const soonest = (group: Group) => group.lines.map((line) => line.due_at).sort()[0] ?? ''
const fold = (key: string, name: string, groups: Group[]): Fold => ({
  key,
  name,
  groups,
  open: groups.reduce((sum, one) => sum + one.open, 0),
  late: groups.reduce((sum, one) => sum + late(one), 0),
})
// most that is late, then what is due first
const worst = (one: Fold, other: Fold) =>
  other.late - one.late || byDue(one.groups).localeCompare(byDue(other.groups)) || one.name.localeCompare(other.name)
const byDue = (groups: Group[]) => groups.map(soonest).sort()[0] ?? ''

export function folds(groups: Group[], by: 'person' | 'client', names: Record<string, string>): Fold[] {
  if (by === 'person')
    return groups.map((one) => fold(`${one.workspace_id} ${one.person}`, one.person, [one])).sort(worst)
  const clients = [...new Set(groups.map((one) => one.workspace_id))]
  return clients
    .map((id) =>
      fold(
        id,
        names[id] ?? '',
        groups.filter((one) => one.workspace_id === id),
      ),
    )
    .sort(worst)
}
