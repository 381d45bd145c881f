// Single-letter keys only while no field has focus; they can be turned off (WCAG 2.1.4).
import { inject, onBeforeUnmount, onMounted, provide, type InjectionKey } from 'vue'

const OFF = 'keys-off'

export function keysOn(): boolean {
  return localStorage.getItem(OFF) !== 'yes'
}

export function turnKeys(on: boolean): void {
  localStorage.setItem(OFF, on ? 'no' : 'yes')
}

type Layer = () => Element | undefined
const LAYER: InjectionKey<Layer> = Symbol('layer')
/** What lies over a page and has keys of its own: what is in it hears them. */
export const provideLayer = (layer: Layer) => provide(LAYER, layer)

/** While one is open, what is behind it hears nothing, wherever the focus is. */
export function dialogOpen(mine?: Element): boolean {
  return [...document.querySelectorAll('[role="dialog"]')].some(
    (one) => one !== mine && !mine?.contains(one) && one.getClientRects().length > 0,
  )
}

const WAIT = 1_500
let waiting = 0
const printable = (event: KeyboardEvent) => event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey
/** Whether the focus is in what was opened. */
const arrived = () => !!document.activeElement?.closest('[role="dialog"] :is(input, textarea), .cell-input input')
function hush(event: KeyboardEvent) {
  if (arrived() || Date.now() > waiting) return window.removeEventListener('keydown', hush, { capture: true })
  if (!printable(event)) return
  event.preventDefault()
  event.stopPropagation()
}

/**
 * What a key opens takes letters only once its field has the focus: until then they are no keys of the page, and stand
 * nowhere.
 * @param act says whether it opened something
 */
export function opening(act: () => boolean): () => void {
  return () => {
    if (!act()) return
    waiting = Date.now() + WAIT
    window.addEventListener('keydown', hush, { capture: true })
  }
}

export function useKeys(keys: Record<string, () => void>): void {
  const layer = inject(LAYER, undefined)
  function press(event: KeyboardEvent) {
    const target = event.target as HTMLElement
    if (!keysOn() || event.ctrlKey || event.metaKey || event.altKey) return
    if (target.closest('input, textarea, select, [contenteditable]') || dialogOpen(layer?.())) return
    const act = keys[event.key] ?? keys[event.key.toUpperCase()]
    if (!act) return
    event.preventDefault()
    act()
  }
  onMounted(() => window.addEventListener('keydown', press))
  onBeforeUnmount(() => window.removeEventListener('keydown', press))
}
