// Bursts are gathered: what was heard within a second is fetched again once, and by a page only what it shows of a
// client it shows.
import type { QueryClient } from '@tanstack/vue-query'

export interface Heard {
  what: string
  ids?: string[]
}

const PAUSE = 1_000
const ALWAYS = ['desk', 'posts', 'dispatch', 'showing', 'waits', 'alarm', 'days', 'plan', 'plan-views']
const ALSO: Record<string, string[]> = {
  people: ['people', 'member'],
  channels: ['channels', 'post'],
  settings: ['me', 'settings', 'route', 'channels'],
  brand: ['brand'],
  batches: ['batches'],
  media: ['media'],
  ideas: ['ideas'],
  partners: ['partners'],
}

/** Fetches one block of an open post's sheet again. */
export type Again = (workspace: string, post: string, block: 'talk') => void

/** @returns what takes one message of a workspace */
export function gatherer(queries: QueryClient, again: Again): (workspace: string, message: Heard) => void {
  const posts = new Set<string>()
  // posts of which nothing but the talk was heard
  const talk = new Map<string, string>()
  const keys = new Set<string>()
  const clients = new Set<string>()
  let timer: number | undefined
  let last = -Infinity

  function tell() {
    timer = undefined
    last = Date.now()
    const [changed, wanted, where] = [new Set(posts), new Set(keys), new Set(clients)]
    for (const [post, workspace] of talk)
      if (!changed.has(post) && queries.getQueryData(['post', post])) again(workspace, post, 'talk')
    const spoken = new Set(talk.keys())
    talk.clear()
    for (const set of [posts, keys, clients]) set.clear()
    void queries.invalidateQueries({
      predicate: ({ queryKey }) => {
        const [key, of] = queryKey as [string, unknown]
        if (key === 'record' && spoken.has(String(of))) return true
        if (key === 'post' || key === 'record') return changed.has(String(of)) || wanted.has(key)
        // a list of one client has nothing to do with another's
        return (
          wanted.has(key) &&
          (typeof of !== 'string' || where.has(of) || !UUID.test(of) || key === 'showing' || key === 'member')
        )
      },
    })
  }

  return (workspace, message) => {
    for (const id of message.ids ?? []) {
      if (message.what === 'talk') talk.set(id, workspace)
      else posts.add(id)
    }
    for (const key of [...ALWAYS, ...(ALSO[message.what] ?? [])]) keys.add(key)
    clients.add(workspace)
    // the first is told at once, what follows within a second together
    timer ??= window.setTimeout(tell, Math.max(0, last + PAUSE - Date.now()))
  }
}
const UUID = /^[0-9a-f-]{36}$/
