// One part being written. What is typed is kept in this browser until the server has it; the same part changed by two
// people shows both; a lost connection saves later.
import { useQueryClient } from '@tanstack/vue-query'
import { computed, onBeforeUnmount, ref, watch, type Ref } from 'vue'
import { api, isProblem, ok, sentence } from '@/api/client'
import type { PartName } from './sheet'

export type SaveState = 'saved' | 'typing' | 'saving' | 'waiting' | 'conflict' | 'refused'

export interface ServerPart {
  value?: unknown
  version: number
}

const PAUSE = 450
const RETRY = 3_000

export function usePart<T>(where: { workspace: string; post: string; part: PartName | 'subject' | 'note'; channel?: string }, server: Ref<ServerPart>, empty: T) {
  const queries = useQueryClient()
  const key = `draft:${where.post}:${where.channel ?? 'master'}:${where.part}`
  const kept = localStorage.getItem(key)
  const value = ref(kept === null ? (server.value.value ?? empty) : (JSON.parse(kept) as T)) as Ref<T>
  const version = ref(server.value.version)
  const state = ref<SaveState>(kept === null ? 'saved' : 'typing')
  const problem = ref('')
  const theirs = ref<{ value: T; version: number; by?: string }>()
  let timer: number | undefined

  const dirty = computed(() => state.value !== 'saved')

  watch(server, (now) => {
    if (dirty.value) return
    value.value = (now.value ?? empty) as T
    version.value = now.version
  })

  function change(next: T) {
    value.value = next
    localStorage.setItem(key, JSON.stringify(next))
    if (state.value === 'conflict') return
    state.value = 'typing'
    problem.value = ''
    later(PAUSE)
  }

  function later(wait: number) {
    window.clearTimeout(timer)
    timer = window.setTimeout(() => void save(), wait)
  }

  async function save(): Promise<void> {
    window.clearTimeout(timer)
    // what was refused is sent again when it is changed, not whenever the field is left
    if (['saved', 'saving', 'conflict', 'refused'].includes(state.value)) return
    const sent = value.value
    state.value = 'saving'
    try {
      version.value = (await send(sent)).version
      await queries.invalidateQueries({ queryKey: ['post', where.post] })
      if (JSON.stringify(value.value) === JSON.stringify(sent)) {
        localStorage.removeItem(key)
        state.value = 'saved'
      } else {
        state.value = 'typing'
        later(PAUSE)
      }
    } catch (error) {
      refused(error)
    }
  }

  function send(sent: T) {
    const header = { 'If-Match': `"${version.value}"` }
    const path = { workspace: where.workspace, post: where.post }
    if (where.part === 'subject') return ok(api.PUT('/api/w/{workspace}/posts/{post}/subject', { params: { path, header }, body: { subject: sent as string } }))
    if (where.part === 'note') return ok(api.PUT('/api/w/{workspace}/posts/{post}/note', { params: { path, header }, body: { note: sent as string } }))
    return ok(api.PUT('/api/w/{workspace}/posts/{post}/parts/{part}', { params: { path: { ...path, part: where.part }, query: { channel: where.channel }, header }, body: { value: sent } }))
  }

  function refused(error: unknown) {
    problem.value = sentence(error)
    if (isProblem(error) && error.problem.code === 'part_changed') {
      const facts = error.problem.facts as { theirs?: T; version?: number; by?: string }
      theirs.value = { value: (facts.theirs ?? empty) as T, version: facts.version ?? 0, by: facts.by }
      state.value = 'conflict'
    } else if (isProblem(error)) {
      state.value = 'refused'
    } else {
      state.value = 'waiting'
      later(RETRY)
    }
  }

  function keepMine() {
    if (!theirs.value) return
    version.value = theirs.value.version
    theirs.value = undefined
    state.value = 'typing'
    void save()
  }

  function takeTheirs() {
    if (!theirs.value) return
    value.value = theirs.value.value
    version.value = theirs.value.version
    theirs.value = undefined
    problem.value = ''
    localStorage.removeItem(key)
    state.value = 'saved'
    void queries.invalidateQueries({ queryKey: ['post', where.post] })
  }

  /** Gives up what was typed and shows what the server has. */
  function drop() {
    localStorage.removeItem(key)
    state.value = 'saved'
    problem.value = ''
    value.value = (server.value.value ?? empty) as T
    version.value = server.value.version
  }

  const online = () => state.value === 'waiting' && void save()
  window.addEventListener('online', online)
  onBeforeUnmount(() => {
    window.removeEventListener('online', online)
    if (state.value === 'typing') void save()
  })
  if (kept !== null) later(PAUSE)

  return { value, state, problem, theirs, change, save, keepMine, takeTheirs, drop }
}
