// One part of the brand sheet being written: saved as a whole on request, with the version that was seen.
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch, type Ref } from 'vue'
import { api, isProblem, ok, sentence, type Schemas } from '@/api/client'

export type BrandName = keyof Schemas['BrandSheet']['parts']

export function useBrandPart<T>(workspace: string, part: BrandName, server: Ref<Schemas['BrandPart'] | undefined>, empty: T) {
  const queries = useQueryClient()
  const key = `brand:${workspace}:${part}`
  const copy = (value: unknown) => JSON.parse(JSON.stringify(value ?? empty)) as T
  const kept = localStorage.getItem(key)
  const value = ref(kept === null ? copy(server.value?.value) : (JSON.parse(kept) as T)) as Ref<T>
  const version = ref(server.value?.version ?? 0)
  const problem = ref('')
  const theirs = ref<{ value: T; by?: string }>()
  const busy = ref(false)
  const dirty = computed(() => JSON.stringify(value.value) !== JSON.stringify(server.value?.value ?? empty))

  watch(server, (now, before) => {
    if (before && JSON.stringify(value.value) !== JSON.stringify(before.value ?? empty)) return
    value.value = copy(now?.value)
    version.value = now?.version ?? 0
  })
  watch(
    value,
    (now) => {
      if (dirty.value) localStorage.setItem(key, JSON.stringify(now))
      else localStorage.removeItem(key)
    },
    { deep: true },
  )

  async function save() {
    busy.value = true
    problem.value = ''
    try {
      const saved = await ok(api.PUT('/api/w/{workspace}/brand/{part}', { params: { path: { workspace, part }, header: { 'If-Match': `"${version.value}"` } }, body: { value: value.value as never } }))
      version.value = saved.version
      theirs.value = undefined
      localStorage.removeItem(key)
      await queries.invalidateQueries({ queryKey: ['brand', workspace] })
      value.value = copy(server.value?.value)
    } catch (error) {
      problem.value = sentence(error)
      if (isProblem(error) && error.problem.code === 'part_changed') {
        const facts = error.problem.facts as { theirs: T; version: number; by?: string }
        theirs.value = { value: facts.theirs ?? empty, by: facts.by }
        version.value = facts.version
      }
    } finally {
      busy.value = false
    }
  }
  function takeTheirs() {
    if (theirs.value) value.value = copy(theirs.value.value)
    theirs.value = undefined
    problem.value = ''
    void queries.invalidateQueries({ queryKey: ['brand', workspace] })
  }
  function drop() {
    value.value = copy(server.value?.value)
    problem.value = ''
  }
  return reactive({ value, problem, theirs, busy, dirty, save, takeTheirs, drop })
}
