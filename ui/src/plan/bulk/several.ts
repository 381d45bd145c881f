// One act over several posts: looked at before, done, and taken back. What is more than one part of a client goes on by
// itself on the server, whether the page is open or not.
import { api, ok, type Schemas } from '@/api/client'

export type Kind = Schemas['SeveralKind']
/** What can be asked for: spreading out is moving each by its own days. */
export type Asked = Kind | 'spread'
export type One = Schemas['BulkPost']
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
  /** of copies: whose they will be, if another client's, and where they go */
  client?: string
  channels?: string[]
}
const PART = 25

/** What would come of each. @param told how many were looked at after each part @param signal gives it up */
export async function lookAt(
  order: Order,
  told: (done: number) => void = () => {},
  signal?: AbortSignal,
): Promise<One[]> {
  const found: One[] = []
  for (const [workspace, posts] of byClient(order.posts))
    for (let from = 0; from < posts.length; from += PART) {
      found.push(...(await part(workspace, order, posts.slice(from, from + PART), true, signal)))
      told(found.length)
    }
  return found
}

export interface Batch {
  workspace: string
  batch: string
}
/** @returns what came of each that was done at once, and what goes on by itself */
export async function run(order: Order): Promise<{ found: One[]; later: Batch[] }> {
  const found: One[] = []
  const later: Batch[] = []
  for (const [workspace, posts] of byClient(order.posts))
    if (posts.length > PART) {
      const body = { order: said(order, posts), posts }
      const { id } = await ok(api.POST('/api/w/{workspace}/plan/batches', { params: { path: { workspace } }, body }))
      later.push({ workspace, batch: id })
    } else found.push(...(await part(workspace, order, posts, false)))
  return { found, later }
}

async function part(
  workspace: string,
  order: Order,
  posts: string[],
  dry: boolean,
  signal?: AbortSignal,
): Promise<One[]> {
  const body = { order: said(order, posts), posts, dry }
  return (await ok(api.POST('/api/w/{workspace}/plan/several', { params: { path: { workspace } }, body, signal })))
    .posts
}

function said({ posts: _, each, ...order }: Order, posts: string[]): Schemas['SeveralOrder'] {
  return each ? { ...order, each: Object.fromEntries(posts.map((id) => [id, each[id] ?? 0])) } : order
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
  if (order.kind === 'copy') {
    const made = changed.flatMap((one) =>
      one.made.map((id) => [id, { workspace: order.client ?? order.posts.get(one.post_id)!.workspace }] as const),
    )
    return [{ kind: 'discard', posts: new Map(made) }]
  }
  if (order.kind === 'move') {
    const each = order.each && Object.fromEntries(Object.entries(order.each).map(([id, days]) => [id, -days]))
    const back: Order = { kind: 'move', posts: of(changed), ...(each ? { each } : { days: -order.days! }) }
    return [back, ...releasing(of(unreleased(changed)))]
  }
  const field = WAS[order.kind]
  if (field) {
    // a post that had several hours has none to go back to
    const known = changed.filter((one) => one.before !== null || order.kind === 'campaign')
    const before = [...new Set(known.map((one) => one.before ?? ''))]
    const orders = before.map((was): Order => ({
      kind: order.kind,
      [field]: was,
      posts: of(known.filter((one) => (one.before ?? '') === was)),
    }))
    return order.kind === 'clock' ? [...orders, ...releasing(of(unreleased(known)))] : orders
  }
  const kind = back[order.kind]
  return kind ? [{ ...order, kind, posts: of(changed) }] : []
}

/** Those that lost their release by it; back at their time they can go out again. */
const unreleased = (found: One[]) => found.filter((one) => one.was === 'released' && one.stage !== 'released')
const releasing = (posts: Chosen): Order[] => (posts.size > 0 ? [{ kind: 'release', posts }] : [])

/** Takes it back, one after the other. @returns why some could not be, with how many */
export async function takeBack(orders: Order[]): Promise<{ stayed: ReturnType<typeof reasons>; later: Batch[] }> {
  const all: One[] = []
  let going: Batch[] = []
  for (const order of orders) {
    // what goes out again stands where it was first
    await Promise.all(going.map(ended))
    const { found, later } = await run(order)
    all.push(...found)
    going = later
  }
  return { stayed: reasons(all), later: going }
}

const LOOK = 1_000 // milliseconds from one look to the next
async function ended({ workspace, batch }: Batch): Promise<void> {
  for (;;) {
    const { batches } = await ok(api.GET('/api/plan/batches'))
    if (batches.find((one) => one.id === batch && one.workspace_id === workspace)?.ended ?? true) return
    await new Promise((on) => setTimeout(on, LOOK))
  }
}

/** Reasons with how many they hold for, the commonest first. */
export function reasons(found: { done: boolean; why: string | null }[]): { why: string; count: number }[] {
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
