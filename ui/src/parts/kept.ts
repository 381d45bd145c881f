// A form's values kept in this browser until they are sent: a closed tab or a refused form loses nothing.
import { nextTick, ref, watch, type Ref } from 'vue'
import { draft, type Draft } from './drafts'

export interface Kept<T> {
  value: T
  /** It was sent, and its form goes. */
  forget: () => void
  /** It was sent, and its form stays: empty again. */
  clear: () => void
}

export function useKept<T extends object>(key: string, empty: T): Kept<T> & { value: T } {
  const box = draft(`form:${key}`)
  const value = ref(read(box, empty)) as Ref<T>
  let live = true
  watch(
    value,
    (now) => {
      if (live) box.write(JSON.stringify(now))
    },
    { deep: true },
  )
  return {
    get value() {
      return value.value
    },
    set value(next: T) {
      value.value = next
    },
    clear() {
      value.value = { ...empty }
      void nextTick(() => box.clear())
    },
    forget() {
      live = false
      box.clear()
    },
  }
}

function read<T extends object>(box: Draft, empty: T): T {
  try {
    return { ...empty, ...(JSON.parse(box.read() ?? '{}') as Partial<T>) }
  } catch {
    return { ...empty }
  }
}
