// Asking for several posts at once: what it would come to, client by client, before and after.
import { api, ok, type Schemas } from '@/api/client'

type Look = Awaited<ReturnType<typeof lookAtOne>>
export type Asking = Look['asks'][number] & { workspace: string }
export interface Found {
  asks: Asking[]
  left: { post_id: string; why: string }[]
}
/** Posts with whose they are. */
export type Posts = Map<string, { workspace: string }>

const byClient = (posts: Posts): [string, string[]][] => {
  const clients = new Map<string, string[]>()
  for (const [post, { workspace }] of posts) clients.set(workspace, [...(clients.get(workspace) ?? []), post])
  return [...clients]
}
const lookAtOne = (workspace: string, post_ids: string[]) =>
  ok(api.POST('/api/w/{workspace}/asks/look', { params: { path: { workspace } }, body: { post_ids } }))

export async function look(posts: Posts): Promise<Found> {
  const found: Found = { asks: [], left: [] }
  for (const [workspace, ids] of byClient(posts)) {
    const { asks, left } = await lookAtOne(workspace, ids)
    found.asks.push(...asks.map((one) => ({ ...one, workspace })))
    found.left.push(...left)
  }
  return found
}

export interface Sent {
  posts: number
  people: string[]
  left: Schemas['NotAsked']
}
/**
 * @param dues by when, by step; what is not there takes the step's own time
 * @param messages by client
 */
export async function send(
  posts: Posts,
  dues: Record<string, string>,
  messages: Record<string, string>,
): Promise<Sent> {
  const sent: Sent = { posts: 0, people: [], left: [] }
  for (const [workspace, post_ids] of byClient(posts)) {
    const body = { post_ids, dues, message: messages[workspace] ?? '' }
    const { asks, left } = await ok(
      api.POST('/api/w/{workspace}/asks/several', { params: { path: { workspace } }, body }),
    )
    sent.posts += asks.reduce((sum, one) => sum + one.post_ids.length, 0)
    sent.people = [...new Set([...sent.people, ...asks.flatMap((one) => one.people)])]
    sent.left.push(...left)
  }
  return sent
}
