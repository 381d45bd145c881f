// A form's values kept in this browser until they are sent: a closed tab or a refused form loses nothing.
import { ref, watch, type Ref } from 'vue'
import { draft, type Draft } from './drafts'

export interface Kept<T> {
  value: T
  forget: () => void
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
