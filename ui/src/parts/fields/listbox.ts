// What the library's lists leave undone for those who hear them: the field has its label's name, points at a list only
// while there is one, and the list says whose it is.
import { onMounted, onUpdated, ref } from 'vue'

export function useListbox(label: () => string | undefined) {
  const root = ref<HTMLElement>()
  let opened = false

  function mend() {
    const field = root.value?.querySelector<HTMLElement>('[role=combobox]')
    if (!field) return
    const name = label()
    if (name) field.setAttribute('aria-label', name)
    field.removeAttribute('aria-owns')
    field.setAttribute('aria-expanded', String(opened))
    const list = document.getElementById(`${field.id}_list`)
    if (list && opened) {
      field.setAttribute('aria-controls', list.id)
      list.setAttribute('aria-label', name ?? 'Choices')
    } else {
      field.removeAttribute('aria-controls')
      field.removeAttribute('aria-activedescendant')
    }
  }
  onMounted(mend)
  onUpdated(mend)
  /** The list is laid out a moment after it was opened. */
  function open(now: boolean) {
    opened = now
    requestAnimationFrame(() => requestAnimationFrame(mend))
  }
  return { root, open }
}
