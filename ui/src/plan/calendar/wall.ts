// The wall of a channel: what is fetched, and what becomes of the times when a picture is put elsewhere.
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import type { Time } from './period'

export type Cell = Schemas['WallCell']
export interface Change {
  cell: Cell
  time: Time
}

/** What can still go out at another time. */
export const movable = (cell: Cell) => cell.stage !== 'out'

export function useWall(workspace: Ref<string | undefined>, channel: Ref<string | undefined>, wanted: Ref<boolean>) {
  return useQuery({
    queryKey: computed(() => ['plan', workspace.value, 'wall', channel.value]),
    queryFn: () =>
      ok(
        api.GET('/api/w/{workspace}/plan/wall/{channel}', {
          params: { path: { workspace: workspace.value!, channel: channel.value! } },
        }),
      ),
    enabled: computed(() => wanted.value && !!workspace.value && !!channel.value),
  })
}

/** The order after one was put in the place of another; what is out stays where it is. */
export function reordered(cells: Cell[], from: number, to: number): Cell[] {
  const free = cells.flatMap((cell, at) => (movable(cell) ? [at] : []))
  const [start, end] = [free.indexOf(from), free.indexOf(to)]
  if (start < 0 || end < 0) return cells
  const order = free.map((at) => cells[at]!)
  order.splice(end, 0, order.splice(start, 1)[0]!)
  return cells.map((cell, at) => (movable(cell) ? order[free.indexOf(at)]! : cell))
}

/** The times stay as they are, and each place has its own: who stands elsewhere now goes out at another. */
export function changes(before: Cell[], after: Cell[]): Change[] {
  return after.flatMap((cell, at) => {
    const time = before[at]!.time!
    return before[at] === cell ? [] : [{ cell, time: { wall: time.wall, zone: time.zone } }]
  })
}
