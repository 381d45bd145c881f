// Single-letter keys only while no field has focus; they can be turned off (WCAG 2.1.4).
import { onBeforeUnmount, onMounted } from 'vue'

const OFF = 'keys-off'

export function keysOn(): boolean {
  return localStorage.getItem(OFF) !== 'yes'
}

export function turnKeys(on: boolean): void {
  localStorage.setItem(OFF, on ? 'no' : 'yes')
}

/** While one is open, the page behind it hears nothing, wherever the focus is. */
function dialogOpen(): boolean {
  return [...document.querySelectorAll('[role="dialog"]')].some((one) => one.getClientRects().length > 0)
}

export function useKeys(keys: Record<string, () => void>): void {
  function press(event: KeyboardEvent) {
    const target = event.target as HTMLElement
    if (!keysOn() || event.ctrlKey || event.metaKey || event.altKey) return
    if (target.closest('input, textarea, select, [contenteditable]') || dialogOpen()) return
    const act = keys[event.key] ?? keys[event.key.toUpperCase()]
    if (!act) return
    event.preventDefault()
    act()
  }
  onMounted(() => window.addEventListener('keydown', press))
  onBeforeUnmount(() => window.removeEventListener('keydown', press))
}
