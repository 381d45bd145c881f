// One part being written. What is typed is kept in this browser until the server has it; the same part changed by two
// people shows both; a lost connection saves later.
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch, type Ref } from 'vue'
import { tryOnBeforeUnmount } from '@vueuse/core'
import { api, isProblem, ok, sentence, type Schemas } from '@/api/client'
import { draft, type Draft } from '@/parts/drafts'
import { offerUndo } from '@/parts/undo'
import { tellSaving } from './saving'
import type { PartName } from './sheet'

export type SaveState = 'saved' | 'typing' | 'saving' | 'waiting' | 'conflict' | 'refused'

/** What stands there instead of what was typed. */
export interface Theirs<T> {
  value: T
  version: number
  by?: string
  /** the same person wrote it, in another window */
  mine?: boolean
  /** of texts: theirs compared with one's own */
  runs?: { kind: string; words: string }[]
}
export interface ServerPart {
  value?: unknown
  version: number
}

const PAUSE = 450
const RETRY = 3_000

/** The draft of one part of a post. */
export const draftOf = (where: { post: string; channel?: string; part: string }) =>
  draft(`part:${where.post}:${where.channel ?? 'master'}:${where.part}`)

function keptIn<T>(box: Draft): { value: T; seen: number } | undefined {
  const kept = box.read()
  return kept === null ? undefined : (JSON.parse(kept) as { value: T; seen: number })
}

/**
 * @param weigh asked before a value is sent, whether it can be sent as it is; what cannot waits, kept, until `save(true)`
 */
export function usePart<T>(
  where: { workspace: string; post: string; part: PartName | 'subject' | 'inner_name' | 'note'; channel?: string },
  server: Ref<ServerPart>,
  empty: T,
  weigh?: (value: T) => Promise<boolean>,
) {
  const queries = useQueryClient()
  const box = draftOf(where)
  const kept = keptIn<T>(box)
  const value = ref(kept ? kept.value : (server.value.value ?? empty)) as Ref<T>
  // what was typed on top of an older version says so: somebody may have changed it while this browser was closed
  const version = ref(kept?.seen ?? server.value.version)
  const state = ref<SaveState>(kept ? 'typing' : 'saved')
  tellSaving(where.post, state)
  const problem = ref('')
  const theirs = ref<Theirs<T>>()
  let timer: number | undefined
  let underway = false

  const dirty = computed(() => state.value !== 'saved')

  watch(server, (now) => {
    if (dirty.value) return
    value.value = (now.value ?? empty) as T
    version.value = now.version
  })

  function change(next: T) {
    value.value = next
    keep()
    if (state.value === 'conflict') return
    problem.value = ''
    again()
  }

  function keep() {
    box.write(JSON.stringify({ value: value.value, seen: version.value }))
  }

  function later(wait: number) {
    window.clearTimeout(timer)
    timer = window.setTimeout(() => void save(), wait)
  }

  async function save(sure = false): Promise<void> {
    window.clearTimeout(timer)
    // one at a time, since the next must say that it saw this one; what was refused is sent again when it is changed,
    // not whenever the field is left
    if (underway || ['saved', 'conflict', 'refused'].includes(state.value)) return
    const sent = JSON.stringify(value.value)
    underway = true
    state.value = 'saving'
    try {
      if (weigh && !sure && !(await weigh(JSON.parse(sent) as T))) {
        underway = false
        state.value = 'typing'
        if (JSON.stringify(value.value) !== sent) again()
        return
      }
      version.value = (await send(JSON.parse(sent) as T)).version
      await queries.invalidateQueries({ queryKey: ['post', where.post] })
      underway = false
      if (JSON.stringify(value.value) === sent) {
        box.clear()
        state.value = 'saved'
      } else {
        keep()
        again()
      }
    } catch (error) {
      underway = false
      refused(error, JSON.stringify(value.value) !== sent)
    }
  }

  function again() {
    state.value = 'typing'
    later(PAUSE)
  }

  function send(sent: T) {
    const header = { 'If-Match': `"${version.value}"` }
    const path = { workspace: where.workspace, post: where.post }
    if (where.part === 'subject')
      return ok(
        api.PUT('/api/w/{workspace}/posts/{post}/subject', {
          params: { path, header },
          body: { subject: sent as string },
        }),
      )
    if (where.part === 'inner_name')
      return ok(
        api.PUT('/api/w/{workspace}/posts/{post}/inner-name', {
          params: { path, header },
          body: { inner_name: sent as string },
        }),
      )
    if (where.part === 'note')
      return ok(
        api.PUT('/api/w/{workspace}/posts/{post}/note', { params: { path, header }, body: { note: sent as string } }),
      )
    return ok(
      api.PUT('/api/w/{workspace}/posts/{post}/parts/{part}', {
        params: { path: { ...path, part: where.part }, query: { channel: where.channel }, header },
        body: { value: sent as Schemas['PartValue'] },
      }),
    )
  }

  function refused(error: unknown, changedSince: boolean) {
    problem.value = isProblem(error) ? sentence(error) : '' // what waits for the line is said by its state
    if (isProblem(error) && error.problem.code === 'part_changed') {
      const { theirs: there, version = 0, ...facts } = error.problem.facts as Partial<Theirs<T>> & { theirs?: T }
      theirs.value = { ...facts, value: (there ?? empty) as T, version }
      state.value = 'conflict'
    } else if (isProblem(error) && changedSince) {
      again()
    } else if (isProblem(error)) {
      state.value = 'refused'
    } else {
      state.value = 'waiting'
      later(RETRY)
    }
  }

  function keepMine() {
    const other = theirs.value
    if (!other) return
    version.value = other.version
    theirs.value = undefined
    keep()
    state.value = 'typing'
    void save()
    offerUndo('What you wrote stands.', () => fetchBack(other.value))
  }
  /** What lost stands again. */
  function fetchBack(lost: T) {
    change(lost)
    return save().then(() => true)
  }

  function takeTheirs() {
    if (!theirs.value) return
    const mine = value.value
    offerUndo('What stood there stands.', () => fetchBack(mine))
    value.value = theirs.value.value
    version.value = theirs.value.version
    theirs.value = undefined
    problem.value = ''
    box.clear()
    state.value = 'saved'
    void queries.invalidateQueries({ queryKey: ['post', where.post] })
  }

  /** Gives up what was typed and shows what the server has. */
  function drop() {
    box.clear()
    state.value = 'saved'
    problem.value = ''
    value.value = (server.value.value ?? empty) as T
    version.value = server.value.version
  }

  const online = () => state.value === 'waiting' && void save()
  window.addEventListener('online', online)
  tryOnBeforeUnmount(() => {
    window.removeEventListener('online', online)
    if (state.value === 'typing') void save()
  })
  if (kept) later(PAUSE)

  return { value, state, problem, theirs, change, save, keepMine, takeTheirs, drop }
}
