// Posts that are chosen, with their clients; they stay chosen over the views and the periods.
import { ref, watch, type Ref } from 'vue'
import { daysOn, type Line } from '@/plan/calendar/period'
import { idOf } from '@/plan/calendar/place'
import type { Chosen } from './several'

/** The posts of some days, both counted, in the order of their times. */
export function postsOf(lines: Line[], first: string, last: string): Chosen {
  const found = lines.filter(({ wall }) => wall.slice(0, 10) >= first && wall.slice(0, 10) <= last)
  found.sort((one, other) => one.wall.localeCompare(other.wall))
  return new Map(found.map(({ post_id, workspace_id, wall }) => [post_id, { workspace: workspace_id, wall }]))
}

/** The first day of the week that has this one. @param start day on which weeks start, 1 is Monday (ISO 8601) */
export function weekStart(day: string, start: number): string {
  const weekday = new Date(`${day}T00:00:00Z`).getUTCDay() || 7
  return daysOn(day, -((weekday - start + 7) % 7))
}

/** @param workspace another one begins anew */
export function usePicking(workspace: Ref<string | undefined>) {
  const picked = ref<Chosen>(new Map())
  const clear = () => (picked.value = new Map())
  watch(workspace, clear)

  function pick(client: string, post: string, wall?: string) {
    const next = new Map(picked.value)
    if (!next.delete(post)) next.set(post, { workspace: client, wall })
    picked.value = next
  }
  /** @param cells those of whose lines the posts are taken; without them all lines */
  function pickAll(lines: Line[], cells?: Set<string>) {
    const stands = (line: Line) => {
      const day = line.wall.slice(0, 10)
      return !cells || line.channels.some((one) => cells.has(idOf({ day, channel: one.id })))
    }
    const more = lines
      .filter(stands)
      .map(({ post_id, workspace_id, wall }) => [post_id, { workspace: workspace_id, wall }] as const)
    picked.value = new Map([...picked.value, ...more])
  }
  return { picked, pick, pickAll, clear }
}
