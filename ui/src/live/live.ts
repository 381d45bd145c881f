// Hears from the server that something changed, and has it fetched again. What changed is never in the message.
import type { QueryClient } from '@tanstack/vue-query'
import 'message-bus-client' // puts itself on the window
import { fetchAgain } from './again'
import { gatherer } from './gather'
import { poll } from './transport'

export interface Message {
  what: string
  ids?: string[]
  post?: string
  person?: string
  name?: string
  part?: string | null
  channel?: string | null
  leaving?: boolean
  reading?: string
}

let heard = new Set<string>()
const ears = new Set<(message: Message) => void>()

/** Hears every message until the returned function is called. */
export function hear(ear: (message: Message) => void): () => void {
  ears.add(ear)
  return () => ears.delete(ear)
}

/** @param workspaces each with the last message that was told there when it was fetched: the next one is heard */
export function listen(workspaces: { id: string; heard?: number | null }[], queries: QueryClient): void {
  if (workspaces.length === 0) return
  window.MessageBus.ajax = poll
  window.MessageBus.start()
  const gather = gatherer(queries, (...where) => void fetchAgain(queries, ...where))
  for (const { id, heard: last } of workspaces) {
    if (heard.has(id)) continue
    heard.add(id)
    const take = (message: Message) => {
      for (const ear of ears) ear(message)
      if (!['here', 'link_read'].includes(message.what)) gather(id, message)
    }
    window.MessageBus.subscribe(`/workspaces/${id}`, take, last ?? undefined)
  }
}

export function stopListening(): void {
  window.MessageBus.stop()
  heard = new Set()
}
