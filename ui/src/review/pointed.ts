// The spot of a picture that the reader points at: put by a press on it, taken up where something is said.
import { ref } from 'vue'
import type { Spot } from './api'

const pointed = ref<Spot>()
export const usePointed = () => pointed

export function pointAt(event: MouseEvent, adaptation_id: string, media_id: string): void {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const part = (value: number) => Math.round(Math.min(1, Math.max(0, value)) * 1000)
  const x = part((event.clientX - box.left) / box.width)
  const y = part((event.clientY - box.top) / box.height)
  pointed.value = { kind: 'spot', adaptation_id, media_id, x, y }
}
