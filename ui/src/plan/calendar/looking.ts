// A line that is looked at: pointed at by a mouse for a moment, or reached by the keys. One at a time, and none while a
// line is on its way.
import { onScopeDispose, ref } from 'vue'
import type { Line } from './period'

export interface Looked {
  workspace: string
  post: string
  channel?: string
  box: { left: number; right: number; top: number }
}
const REST = 450 // ms; common practice, no source

export function useLooking() {
  const looked = ref<Looked>()
  let timer: ReturnType<typeof setTimeout> | undefined

  function away() {
    clearTimeout(timer)
    looked.value = undefined
  }
  function look(event: Event, line: Line) {
    const element = event.currentTarget as HTMLElement
    if (event.type === 'focus' && !element.matches(':focus-visible')) return
    clearTimeout(timer)
    timer = setTimeout(() => {
      if (!element.isConnected) return
      const { left, right, top } = element.getBoundingClientRect()
      looked.value = {
        workspace: line.workspace_id,
        post: line.post_id,
        channel: line.channels[0]?.id,
        box: { left, right, top },
      }
    }, REST)
  }
  onScopeDispose(away)
  return { looked, look, away }
}
