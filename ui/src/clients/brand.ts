// One part of the brand sheet being written: saved as a whole on request, with the version that was seen.
import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch, type Ref } from 'vue'
import { api, isProblem, ok, sentence, type Schemas } from '@/api/client'
import { draft } from '@/parts/drafts'

export type BrandName = keyof Schemas['BrandSheet']['parts']

export function useBrandPart<T>(
  workspace: string,
  part: BrandName,
  server: Ref<Schemas['BrandPart'] | undefined>,
  empty: T,
) {
  const queries = useQueryClient()
  const box = draft(`brand:${workspace}:${part}`)
  const copy = (value: unknown) => JSON.parse(JSON.stringify(value ?? empty)) as T
  const kept = JSON.parse(box.read() ?? 'null') as { value: T; seen: number } | null
  const value = ref(kept === null ? copy(server.value?.value) : kept.value) as Ref<T>
  // what was typed on top of an older version says so when it is saved
  const version = ref(kept?.seen ?? server.value?.version ?? 0)
  const problem = ref('')
  const theirs = ref<{ value: T; by?: string }>()
  const busy = ref(false)
  const dirty = computed(() => JSON.stringify(value.value) !== JSON.stringify(server.value?.value ?? empty))

  watch(server, (now, before) => {
    if (!before && kept) return
    if (before && JSON.stringify(value.value) !== JSON.stringify(before.value ?? empty)) return
    value.value = copy(now?.value)
    version.value = now?.version ?? 0
  })
  watch(
    value,
    (now) => {
      if (dirty.value) box.write(JSON.stringify({ value: now, seen: version.value }))
      else box.clear()
    },
    { deep: true },
  )

  async function save() {
    busy.value = true
    problem.value = ''
    try {
      const saved = await ok(
        api.PUT('/api/w/{workspace}/brand/{part}', {
          params: { path: { workspace, part }, header: { 'If-Match': `"${version.value}"` } },
          body: { value: value.value as never },
        }),
      )
      version.value = saved.version
      theirs.value = undefined
      box.clear()
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
    version.value = server.value?.version ?? 0
    value.value = copy(server.value?.value)
    problem.value = ''
  }
  return reactive({ value, problem, theirs, busy, dirty, save, takeTheirs, drop })
}
