import { beforeEach, describe, expect, it, vi } from 'vitest'

const post = vi.fn()
const get = vi.fn()
vi.mock('@/api/client', () => ({
  api: { POST: (...all: unknown[]) => post(...all), GET: (...all: unknown[]) => get(...all) },
  ok: (answer: Promise<unknown>) => answer,
}))
const { lookAt, reasons, run, spreadOver, steps, takeBack, undoing } = await import('./several')

const one = (post_id: string, more: object = {}) => ({
  post_id,
  done: true,
  changed: true,
  was: 'drafting' as const,
  stage: 'drafting' as const,
  why: null,
  before: null,
  made: [],
  ...more,
})
const posts = new Map([
  ['a', { workspace: 'w', wall: '2026-10-16T09:00' }],
  ['b', { workspace: 'w', wall: '2026-10-14T12:00' }],
  ['c', { workspace: 'other' }],
])

const many = new Map(Array.from({ length: 60 }, (_, n) => [`p${n}`, { workspace: 'w' }]))

describe('one act over several posts', () => {
  beforeEach(() => {
    post.mockReset()
    post.mockImplementation((_: string, { body }: { body: { posts: string[] } }) => ({
      posts: body.posts.map((id) => one(id)),
    }))
  })

  it('is looked at client by client and in parts, and says how far it is', async () => {
    const told = vi.fn()
    expect(await lookAt({ kind: 'move', posts: many, days: 2 }, told)).toHaveLength(60)
    expect(told.mock.calls.flat()).toEqual([25, 50, 60])
    post.mockClear()
    await lookAt({ kind: 'release', posts })
    const called = post.mock.calls.map(([, { params, body }]) => [params.path.workspace, body.posts, body.dry])
    expect(called).toEqual([
      ['w', ['a', 'b'], true],
      ['other', ['c'], true],
    ])
  })

  it('goes on by itself over more than one part of a client, and is done at once over fewer', async () => {
    post.mockImplementation((path: string, { body }: { body: { posts: string[] } }) =>
      path.endsWith('batches') ? { id: 'batch' } : { posts: body.posts.map((id) => one(id)) },
    )
    const mixed = new Map([...many, ...posts])
    const { found, later } = await run({ kind: 'move', posts: mixed, each: { a: 1, c: 2 } })
    expect(later).toEqual([{ workspace: 'w', batch: 'batch' }])
    expect(found.map((each) => each.post_id)).toEqual(['c'])
    const [, { body }] = post.mock.calls.find(([path]) => path.endsWith('several'))!
    expect(body).toEqual({ order: { kind: 'move', each: { c: 2 } }, posts: ['c'], dry: false })
  })

  it('is released again after it is back where it was, if it was released', async () => {
    const found = [one('a', { was: 'released', stage: 'internal_review' }), one('b')]
    const back = undoing({ kind: 'move', posts, days: 3 }, found)
    expect(back.map(({ kind, posts: of }) => [kind, [...of.keys()]])).toEqual([
      ['move', ['a', 'b']],
      ['release', ['a']],
    ])
    post.mockImplementation((_: string, { body }: { body: { posts: string[]; order: { kind: string } } }) => ({
      posts: body.posts.map((id) => one(id, body.order.kind === 'release' ? { done: false, why: 'It is held.' } : {})),
    }))
    expect((await takeBack(back)).stayed).toEqual([{ why: 'It is held.', count: 1 }])
  })

  it('waits for what goes on by itself before the next act of the way back', async () => {
    vi.useFakeTimers()
    const order: string[] = []
    post.mockImplementation((path: string, { body }: { body: { posts: string[]; order: { kind: string } } }) => {
      order.push(body.order.kind)
      return path.endsWith('batches') ? { id: 'batch' } : { posts: [] }
    })
    get.mockReturnValueOnce({ batches: [{ id: 'batch', workspace_id: 'w', ended: false }] })
    get.mockReturnValueOnce({ batches: [{ id: 'batch', workspace_id: 'w', ended: true }] })
    const done = takeBack([
      { kind: 'move', posts: many, days: -1 },
      { kind: 'release', posts },
    ])
    await vi.advanceTimersByTimeAsync(500)
    expect(order).toEqual(['move'])
    await vi.advanceTimersByTimeAsync(1_000)
    await done
    expect(order).toEqual(['move', 'release', 'release'])
    vi.useRealTimers()
  })

  it('copies are taken back by discarding them, where they were made', () => {
    const found = [one('a', { made: ['x', 'y'] }), one('c', { made: ['z'] })]
    const at = (client?: string) =>
      undoing({ kind: 'copy', posts, channels: ['t'], client }, found).map(({ kind, posts: of }) => [
        kind,
        [...of].map(([id, { workspace }]) => `${id}@${workspace}`),
      ])
    expect(at()).toEqual([['discard', ['x@w', 'y@w', 'z@other']]])
    expect(at('there')).toEqual([['discard', ['x@there', 'y@there', 'z@there']]])
  })

  it('is taken back where it was done and changed something', () => {
    const found = [one('a'), one('b', { done: false }), one('c', { changed: false })]
    expect(undoing({ kind: 'move', posts, days: 3 }, found)).toEqual([
      { kind: 'move', days: -3, posts: new Map([['a', posts.get('a')]]) },
    ])
    expect(undoing({ kind: 'label', posts, name: 'Places' }, found)[0]).toMatchObject({
      kind: 'unlabel',
      name: 'Places',
    })
    const campaigns = [one('a', { before: 'Winter' }), one('b', { before: '' }), one('c', { before: 'Winter' })]
    expect(
      undoing({ kind: 'campaign', posts, name: 'Spring' }, campaigns).map(({ name, posts: of }) => [name, of.size]),
    ).toEqual([
      ['Winter', 2],
      ['', 1],
    ])
    expect(undoing({ kind: 'release', posts }, [one('b', { done: false })])).toEqual([])
  })

  it('spreads posts out from a day on, the earliest first, each at its own hour', () => {
    expect(spreadOver(posts, '2026-10-20', 3)).toEqual({ b: 6, a: 7 })
  })

  it('puts each back to the hour and the owner that it had, and by its own days', () => {
    const hours = [one('a', { before: '09:00' }), one('b', { before: null })]
    expect(undoing({ kind: 'clock', posts, clock: '10:30' }, hours)).toEqual([
      { kind: 'clock', clock: '09:00', posts: new Map([['a', posts.get('a')]]) },
    ])
    expect(undoing({ kind: 'owner', posts, person: 'maro' }, [one('a', { before: 'ines' })])[0]).toMatchObject({
      person: 'ines',
    })
    expect(undoing({ kind: 'move', posts, each: { a: 7, b: 6 } }, [one('a'), one('b')])[0]!.each).toEqual({
      a: -7,
      b: -6,
    })
  })

  it('is said by reason and by step, the commonest first', () => {
    const found = [
      one('a', { done: false, why: 'It is out.' }),
      one('b', { done: false, why: 'It is out.' }),
      one('c', { done: false, why: 'It is asked.' }),
      one('d', { was: 'cleared', stage: 'internal_review' }),
    ]
    expect(reasons(found)).toEqual([
      { why: 'It is out.', count: 2 },
      { why: 'It is asked.', count: 1 },
    ])
    expect(steps(found)).toEqual([{ from: 'cleared', to: 'internal_review', count: 1 }])
  })
})
