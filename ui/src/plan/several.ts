// One act over several posts: looked at before, done in parts that show how far they are, and taken back. It goes on
// when its dialog or its page is left.
import { api, ok, type Schemas } from '@/api/client'

export type Kind = Schemas['SeveralKind']
export type One = Schemas['SeveralOne']
/** Posts with the client that they belong to. */
export type Chosen = Map<string, string>
export interface Order {
  kind: Kind
  posts: Chosen
  days?: number
  name?: string
}
const PART = 25

/** @param told how many are done after each part */
export async function run(order: Order, dry: boolean, told: (done: number) => void = () => {}): Promise<One[]> {
  const found: One[] = []
  for (const [workspace, posts] of byClient(order.posts))
    for (let from = 0; from < posts.length; from += PART) {
      const { posts: answered } = await ok(
        api.POST('/api/w/{workspace}/plan/several', {
          params: { path: { workspace } },
          body: { kind: order.kind, days: order.days, name: order.name, posts: posts.slice(from, from + PART), dry },
        }),
      )
      found.push(...answered)
      told(found.length)
    }
  return found
}

function byClient(posts: Chosen): Map<string, string[]> {
  const clients = new Map<string, string[]>()
  for (const [post, workspace] of posts) clients.set(workspace, [...(clients.get(workspace) ?? []), post])
  return clients
}

/** What takes it back, in as many orders as it needs. */
export function undoing(order: Order, found: One[]): Order[] {
  const changed = found.filter((one) => one.done && one.changed)
  const of = (some: One[]): Chosen => new Map(some.map((one) => [one.post_id, order.posts.get(one.post_id)!]))
  if (changed.length === 0) return []
  const back: Partial<Record<Kind, Kind>> = {
    release: 'take_back',
    take_back: 'release',
    label: 'unlabel',
    unlabel: 'label',
    discard: 'bring_back',
  }
  if (order.kind === 'move') return [{ kind: 'move', posts: of(changed), days: -order.days! }]
  if (order.kind === 'campaign') {
    const before = [...new Set(changed.map((one) => one.before ?? ''))]
    return before.map((name) => ({
      kind: 'campaign',
      name,
      posts: of(changed.filter((one) => (one.before ?? '') === name)),
    }))
  }
  const kind = back[order.kind]
  return kind ? [{ ...order, kind, posts: of(changed) }] : []
}

/** Reasons with how many they hold for, the commonest first. */
export function reasons(found: One[]): { why: string; count: number }[] {
  const counts = new Map<string, number>()
  for (const one of found) if (!one.done && one.why) counts.set(one.why, (counts.get(one.why) ?? 0) + 1)
  return [...counts].map(([why, count]) => ({ why, count })).sort((one, other) => other.count - one.count)
}

/** Steps that posts go, such as from cleared back to drafting, with how many. */
export function steps(found: One[]): { from: Schemas['Stage']; to: Schemas['Stage']; count: number }[] {
  const counts = new Map<string, number>()
  for (const { done, was, stage } of found)
    if (done && was && stage && was !== stage) counts.set(`${was} ${stage}`, (counts.get(`${was} ${stage}`) ?? 0) + 1)
  return [...counts].map(([step, count]) => {
    const [from, to] = step.split(' ') as [Schemas['Stage'], Schemas['Stage']]
    return { from, to, count }
  })
}
