// A planned time being chosen. What another time costs is asked before it is saved: what costs nothing is saved at
// once, anything else waits for a word.
import { computed, ref, type Ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import { usePart, type ServerPart } from './part'

/** A wall time, such as 2026-10-17T20:00:00, with its zone. */
export interface Wall {
  wall: string
  zone: string
}

/** The digits that a field of date and time takes; '' for no time. */
export function digits(time: unknown): string {
  return (time as Wall | null)?.wall.slice(0, 16) ?? ''
}

/** What it would cost to plan a channel, or all that follow the master, for that time. */
export function weighed(where: { workspace: string; post: string; channel?: string }, value: unknown) {
  return ok(
    api.POST('/api/w/{workspace}/posts/{post}/move-cost', {
      params: { path: { workspace: where.workspace, post: where.post } },
      body: { channels: where.channel ? [where.channel] : null, time: value as Wall | null },
    }),
  )
}

export function usePlanned(
  where: { workspace: string; post: string; channel?: string },
  server: Ref<ServerPart>,
  zone: () => string,
) {
  const cost = ref<Schemas['MoveCost']>()
  const part = usePart<Wall | null>({ ...where, part: 'time' }, server, null, async (value) => {
    cost.value = undefined
    const found = await weighed(where, value)
    cost.value = found
    // a field that is being written over is empty for a moment: nobody's time is taken away by that
    return value !== null && found.free
  })
  const wall = computed(() => digits(part.value.value))

  function choose(next: string) {
    if (next === digits(server.value.value)) return back()
    cost.value = undefined
    part.change(next === '' ? null : { wall: next, zone: zone() })
    void part.save()
  }
  /** At the price that was said. */
  function sure() {
    void part.save(true)
  }
  function back() {
    cost.value = undefined
    part.drop()
  }
  return { ...part, wall, cost, choose, sure, back }
}
