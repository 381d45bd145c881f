// Esc closes one thing: what was opened last. A list, days or a menu that is open in front of it take it first.
import { onBeforeUnmount, watch, type WatchSource } from 'vue'

const FRONT =
  '.ant-select-dropdown:not(.ant-select-dropdown-hidden), .ant-picker-dropdown:not(.ant-picker-dropdown-hidden), ' +
  '.ant-dropdown:not(.ant-dropdown-hidden)'
interface Opened {
  close: (event: KeyboardEvent) => void
}
const opened: Opened[] = []
let taken = false

const inFront = () => [...document.querySelectorAll(FRONT)].some((one) => one.getClientRects().length > 0)
// seen before what is in front has closed itself
const before = (event: KeyboardEvent) => {
  if (event.key === 'Escape') taken = inFront()
}
const after = (event: KeyboardEvent) => {
  if (event.key === 'Escape' && !taken && !event.defaultPrevented) opened.at(-1)?.close(event)
}

function put(one: Opened) {
  if (opened.length === 0) {
    window.addEventListener('keydown', before, { capture: true })
    window.addEventListener('keydown', after)
  }
  opened.push(one)
}
function take(one: Opened) {
  const at = opened.indexOf(one)
  if (at < 0) return
  opened.splice(at, 1)
  if (opened.length > 0) return
  window.removeEventListener('keydown', before, { capture: true })
  window.removeEventListener('keydown', after)
}

/** @param open whether it is there to be closed */
export function useEscape(open: WatchSource<boolean>, close: (event: KeyboardEvent) => void): void {
  const one = { close }
  watch(open, (now) => (now ? put(one) : take(one)), { immediate: true, flush: 'sync' })
  onBeforeUnmount(() => take(one))
}
