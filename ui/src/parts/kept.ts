// A form's values kept in this browser until they are sent: a closed tab or a refused form loses nothing.
import { ref, watch, type Ref } from 'vue'

export interface Kept<T> {
  value: T
  forget: () => void
}

export function useKept<T extends object>(key: string, empty: T): Kept<T> & { value: T } {
  const name = `form:${key}`
  const value = ref(read(name, empty)) as Ref<T>
  let live = true
  watch(
    value,
    (now) => {
      if (live) localStorage.setItem(name, JSON.stringify(now))
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
      localStorage.removeItem(name)
    },
  }
}

function read<T extends object>(name: string, empty: T): T {
  try {
    return { ...empty, ...(JSON.parse(localStorage.getItem(name) ?? '{}') as Partial<T>) }
  } catch {
    return { ...empty }
  }
}
