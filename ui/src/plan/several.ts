// One act over several posts: looked at before, done in parts that show how far they are, and taken back. It goes on
// when its dialog or its page is left.
import { api, ok, type Schemas } from '@/api/client'

export type Kind = Schemas['SeveralKind']
/** What can be asked for: spreading out is moving each by its own days. */
export type Asked = Kind | 'spread'
export type One = Schemas['SeveralOne']
/** A post that is chosen: of which client, and its first time where one was seen. */
export interface Picked {
  workspace: string
  wall?: string
}
export type Chosen = Map<string, Picked>
export interface Order {
  kind: Kind
  posts: Chosen
  days?: number
  /** days by post, where each is moved by its own */
  each?: Record<string, number>
  clock?: string
  person?: string
  name?: string
}
const PART = 25

/** @param told how many are done after each part */
export async function run(order: Order, dry: boolean, told: (done: number) => void = () => {}): Promise<One[]> {
  const found: One[] = []
  for (const [workspace, posts] of byClient(order.posts))
    for (let from = 0; from < posts.length; from += PART) {
      const body = bodyOf(order, posts.slice(from, from + PART), dry)
      const { posts: answered } = await ok(
        api.POST('/api/w/{workspace}/plan/several', { params: { path: { workspace } }, body }),
      )
      found.push(...answered)
      told(found.length)
    }
  return found
}

function bodyOf({ kind, days, each, clock, person, name }: Order, posts: string[], dry: boolean) {
  const own = each && Object.fromEntries(posts.map((id) => [id, each[id] ?? 0]))
  return { kind, days, each: own, clock, person, name, posts, dry }
}

/**
 * Days by which each is moved so that they lie evenly: the earliest on the first day, the next so many days later.
 * Each keeps its hour; what has no time yet stays out.
 */
export function spreadOver(posts: Chosen, first: string, every: number): Record<string, number> {
  const timed = [...posts].flatMap(([id, { wall }]) => (wall ? [{ id, wall }] : []))
  timed.sort((one, other) => one.wall.localeCompare(other.wall))
  const day = (text: string) => Date.parse(`${text.slice(0, 10)}T00:00:00Z`) / 86_400_000
  return Object.fromEntries(timed.map(({ id, wall }, at) => [id, day(first) + at * every - day(wall)]))
}

function byClient(posts: Chosen): Map<string, string[]> {
  const clients = new Map<string, string[]>()
  for (const [post, { workspace }] of posts) clients.set(workspace, [...(clients.get(workspace) ?? []), post])
  return clients
}

/** What said before how it was, and by which field that is put back. */
const WAS: Partial<Record<Kind, 'name' | 'clock' | 'person'>> = { campaign: 'name', clock: 'clock', owner: 'person' }

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
  if (order.kind === 'move' && order.each) {
    const each = Object.fromEntries(Object.entries(order.each).map(([id, days]) => [id, -days]))
    return [{ kind: 'move', posts: of(changed), each }]
  }
  if (order.kind === 'move') return [{ kind: 'move', posts: of(changed), days: -order.days! }]
  const field = WAS[order.kind]
  if (field) {
    // a post that had several hours has none to go back to
    const known = changed.filter((one) => one.before !== null || order.kind === 'campaign')
    const before = [...new Set(known.map((one) => one.before ?? ''))]
    return before.map((was) => ({
      kind: order.kind,
      [field]: was,
      posts: of(known.filter((one) => (one.before ?? '') === was)),
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
