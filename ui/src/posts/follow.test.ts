import { beforeEach, describe, expect, it, vi } from 'vitest'

const calls: [string, Record<string, unknown>][] = []
const offered: { words: string; undo: () => void }[] = []
vi.mock('@/parts/undo', () => ({ offerUndo: (words: string, undo: () => void) => offered.push({ words, undo }) }))
vi.mock('@/api/client', () => {
  const say = (verb: string) => async (_path: string, init: Record<string, unknown>) => void calls.push([verb, init])
  return { ok: (call: Promise<unknown>) => call, api: { PUT: say('PUT'), DELETE: say('DELETE'), POST: say('POST') } }
})
// an act without the page around it: runs, then tells what came of it
vi.mock('./sheet', () => ({
  useAct: (_post: string, run: (input: unknown) => Promise<unknown>, done?: (result: unknown, input: unknown) => void) => ({
    mutate: (input: unknown) => void run(input).then((result) => done?.(result, input)),
  }),
}))
const removed: string[] = []
vi.stubGlobal('localStorage', { removeItem: (key: string) => removed.push(key) })

const { ownParts, useFollow } = await import('./follow')
type One = Parameters<typeof ownParts>[0] & { channel: { id: string; name: string } }

const part = (value: unknown, own: boolean, version = own ? 4 : 0) => ({ value, own, version })
const one = { channel: { id: 'c', name: 'Ticker' }, parts: { text: part('Own words', true), link: part(null, false), time: part({ wall: '2026-10-17T20:00:00', zone: 'Europe/Lisbon' }, true, 7) } } as unknown as One
const settled = () => new Promise((done) => setTimeout(done))

describe('following the master again', () => {
  const done = vi.fn()
  const follow = () => useFollow({ workspace: 'w', post: 'p' }, () => one as never, done)
  beforeEach(() => {
    calls.length = offered.length = removed.length = 0
    done.mockReset()
  })

  it('knows what is a channel’s own', () => {
    expect(ownParts(one)).toEqual([
      ['text', 'Own words'],
      ['time', { wall: '2026-10-17T20:00:00', zone: 'Europe/Lisbon' }],
    ])
  })

  it('says which version was seen, forgets what this browser kept, and offers a way back', async () => {
    follow().follow.mutate('text')
    await settled()
    expect(calls).toEqual([['DELETE', { params: { path: { workspace: 'w', post: 'p', part: 'text' }, query: { channel: 'c' }, header: { 'If-Match': '"4"' } } }]])
    expect(removed).toEqual(['draft:p:c:text'])
    expect(done).toHaveBeenCalledWith(['text'])
    expect(offered.map((offer) => offer.words)).toEqual(['Ticker follows the master’s text again.'])
  })

  it('the way back saves what was there as an own part anew', async () => {
    follow().follow.mutate('time')
    await settled()
    offered[0]!.undo()
    await settled()
    expect(calls[1]).toEqual([
      'PUT',
      { params: { path: { workspace: 'w', post: 'p', part: 'time' }, query: { channel: 'c' }, header: { 'If-Match': '"0"' } }, body: { value: { wall: '2026-10-17T20:00:00', zone: 'Europe/Lisbon' } } },
    ])
  })

  it('all at once is one act, and one way back brings them all', async () => {
    follow().followAll.mutate()
    await settled()
    expect(calls.map(([verb]) => verb)).toEqual(['POST'])
    expect(offered.map((offer) => offer.words)).toEqual(['Ticker follows the master again.'])
    expect(done).toHaveBeenCalledWith(['text', 'time'])
    offered[0]!.undo()
    await settled()
    expect(calls.slice(1).map(([verb, init]) => [verb, (init as { params: { path: { part: string } } }).params.path.part])).toEqual([
      ['PUT', 'text'],
      ['PUT', 'time'],
    ])
  })
})
