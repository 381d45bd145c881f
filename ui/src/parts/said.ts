// What is said of one thing in its panel: kept field by field as each is left, one after the other, each saying the
// version that it saw. What is typed and not kept yet stays when somebody else's words come; what cannot be kept stays
// with its reason at its field.
import { reactive, watch, type Ref } from 'vue'
import { sentence } from '@/api/client'

type Fields<K extends string> = { version: number } & Partial<Record<K, string | null>>

/**
 * @param id of the thing; what was typed for another one is let go
 * @param change keeps something of it, and gives the version after that
 * @param nothing fields that hold nothing at all when they are left empty
 */
export function useSaid<K extends string, S extends object>(
  id: () => string,
  one: Ref<Fields<K> | undefined>,
  change: (said: S & { version: number }) => Promise<{ version: number }>,
  nothing: K[] = [],
) {
  const typed = reactive<Record<string, string | undefined>>({})
  const wrong = reactive<Record<string, string | undefined>>({})
  watch(id, () => {
    for (const kept of [typed, wrong]) for (const key of Object.keys(kept)) delete kept[key]
  })
  let version = 0
  watch(one, (now) => (version = now?.version ?? version), { immediate: true })

  let last: Promise<unknown> = Promise.resolve()
  function save(said: S): Promise<void> {
    const keys = Object.keys(said)
    const mine = last.then(async () => {
      try {
        version = (await change({ ...said, version })).version
        for (const key of keys) {
          delete typed[key]
          delete wrong[key]
        }
      } catch (problem) {
        for (const key of keys) wrong[key] = sentence(problem)
      }
    })
    last = mine
    return mine
  }

  const value = (key: K) => typed[key] ?? one.value?.[key] ?? ''
  /** A field is left: what is new in it is kept. */
  function left(key: K) {
    const words = typed[key]
    if (words === undefined || words === (one.value?.[key] ?? '')) delete typed[key]
    else void save({ [key]: nothing.includes(key) ? words || null : words } as S)
  }
  /** When everything that was left until now is kept, or refused. */
  const settled = () => last
  return { typed, wrong, value, save, left, settled }
}
