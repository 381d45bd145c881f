import { beforeEach, describe, expect, it, vi } from 'vitest'

const post = vi.fn()
vi.mock('@/api/client', () => ({
  api: { POST: (...all: unknown[]) => post(...all) },
  ok: (answer: Promise<unknown>) => answer,
}))
const { reasons, run, steps, undoing } = await import('./several')

const one = (post_id: string, more: object = {}) => ({
  post_id,
  done: true,
  changed: true,
  was: 'drafting' as const,
  stage: 'drafting' as const,
  why: null,
  before: null,
  ...more,
})
const posts = new Map([
  ['a', 'w'],
  ['b', 'w'],
  ['c', 'other'],
])

describe('one act over several posts', () => {
  beforeEach(() => {
    post.mockReset()
    post.mockImplementation((_: string, { body }: { body: { posts: string[] } }) => ({
      posts: body.posts.map((id) => one(id)),
    }))
  })

  it('goes client by client and in parts, and says how far it is', async () => {
    const many = new Map(Array.from({ length: 60 }, (_, n) => [`p${n}`, 'w']))
    const told = vi.fn()
    expect(await run({ kind: 'move', posts: many, days: 2 }, false, told)).toHaveLength(60)
    expect(told.mock.calls.flat()).toEqual([25, 50, 60])
    post.mockClear()
    await run({ kind: 'release', posts }, true)
    const called = post.mock.calls.map(([, { params, body }]) => [params.path.workspace, body.posts, body.dry])
    expect(called).toEqual([
      ['w', ['a', 'b'], true],
      ['other', ['c'], true],
    ])
  })

  it('is taken back where it was done and changed something', () => {
    const found = [one('a'), one('b', { done: false }), one('c', { changed: false })]
    expect(undoing({ kind: 'move', posts, days: 3 }, found)).toEqual([
      { kind: 'move', days: -3, posts: new Map([['a', 'w']]) },
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
