// Posts that are chosen, with their clients; they stay chosen over the views and the periods.
import { ref, watch, type Ref } from 'vue'
import type { Line } from './period'
import { idOf } from './place'
import type { Chosen } from './several'

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
