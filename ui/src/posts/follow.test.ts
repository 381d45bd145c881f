import { beforeEach, describe, expect, it, vi } from 'vitest'
import { draftsOf } from '@/parts/drafts'

const calls: [string, Record<string, unknown>][] = []
const offered: { words: string; undo: () => void }[] = []
const weighed = vi.fn()
vi.mock('ant-design-vue', () => ({ message: { error: (words: string) => refused.push(words) } }))
vi.mock('@tanstack/vue-query', () => ({}))
vi.mock('./planned', () => ({
  weighed: (...all: unknown[]) => weighed(...all),
  free: (cost: { costs: unknown[] }) => cost.costs.length === 0,
}))
vi.mock('@/parts/undo', () => ({ offerUndo: (words: string, undo: () => void) => offered.push({ words, undo }) }))
vi.mock('@/api/client', () => {
  const say = (verb: string) => async (_path: string, init: Record<string, unknown>) => void calls.push([verb, init])
  return {
    isProblem: () => false,
    ok: (call: Promise<unknown>) => call,
    sentence: (problem: Error) => problem.message,
    api: { PUT: say('PUT'), DELETE: say('DELETE'), POST: say('POST') },
  }
})
// an act without the page around it: runs, then tells what came of it
vi.mock('./sheet', () => ({
  settled: (done: Promise<unknown>) => done,
  useAct: (
    _post: string,
    run: (input: unknown) => Promise<unknown>,
    done?: (result: unknown, input: unknown) => void,
  ) => ({
    mutate: (input: unknown) => void run(input).then((result) => done?.(result, input)),
    mutateAsync: (input: unknown) => run(input),
  }),
}))
const removed: string[] = []
const refused: string[] = []
draftsOf('ines')
vi.stubGlobal('sessionStorage', { getItem: () => 'tab-1' })
vi.stubGlobal('localStorage', { removeItem: (key: string) => removed.push(key) })

const { ownParts, useFollow } = await import('./follow')
type One = Parameters<typeof ownParts>[0] & { channel: { id: string; name: string } }

const part = (value: unknown, own: boolean, version = own ? 4 : 0) => ({ value, own, version })
const one = {
  channel: { id: 'c', name: 'Ticker' },
  parts: {
    text: part('Own words', true),
    link: part(null, false),
    time: part({ wall: '2026-10-17T20:00:00', zone: 'Europe/Lisbon' }, true, 7),
  },
} as unknown as One
const settled = () => new Promise((done) => setTimeout(done))

describe('following the master again', () => {
  const done = vi.fn()
  const master = { wall: '2026-10-18T08:00:00', zone: 'Europe/Lisbon' }
  const follow = () =>
    useFollow(
      { workspace: 'w', post: 'p' },
      () => one as never,
      done,
      () => master,
    )
  beforeEach(() => {
    calls.length = offered.length = removed.length = 0
    refused.length = 0
    done.mockReset()
    weighed.mockReset().mockResolvedValue({ costs: [], free: true })
  })

  it('knows what is a channel’s own', () => {
    expect(ownParts(one)).toEqual([
      ['text', 'Own words'],
      ['time', { wall: '2026-10-17T20:00:00', zone: 'Europe/Lisbon' }],
    ])
  })

  it('says which version was seen, forgets what this browser kept, and offers a way back', async () => {
    void follow().follow('text')
    await settled()
    expect(calls).toEqual([
      [
        'DELETE',
        {
          params: {
            path: { workspace: 'w', post: 'p', part: 'text' },
            query: { channel: 'c' },
            header: { 'If-Match': '"4"' },
          },
        },
      ],
    ])
    expect(removed).toEqual(['draft:ines:tab-1:part:p:c:text'])
    expect(done).toHaveBeenCalledWith(['text'])
    expect(offered.map((offer) => offer.words)).toEqual(['Ticker follows the master’s text again.'])
  })

  it('the way back saves what was there as an own part anew', async () => {
    void follow().follow('time')
    await settled()
    offered[0]!.undo()
    await settled()
    expect(calls[1]).toEqual([
      'PUT',
      {
        params: {
          path: { workspace: 'w', post: 'p', part: 'time' },
          query: { channel: 'c' },
          header: { 'If-Match': '"0"' },
        },
        body: { value: { wall: '2026-10-17T20:00:00', zone: 'Europe/Lisbon' } },
      },
    ])
  })

  it('all at once is one act, and one way back brings them all', async () => {
    void follow().followAll()
    await settled()
    expect(calls.map(([verb]) => verb)).toEqual(['POST'])
    expect(offered.map((offer) => offer.words)).toEqual(['Ticker follows the master again.'])
    expect(done).toHaveBeenCalledWith(['text', 'time'])
    offered[0]!.undo()
    await settled()
    expect(
      calls.slice(1).map(([verb, init]) => [verb, (init as { params: { path: { part: string } } }).params.path.part]),
    ).toEqual([
      ['PUT', 'text'],
      ['PUT', 'time'],
    ])
  })

  it('another time is weighed first, and set back on a word where it costs something', async () => {
    const dear = { free: false, costs: [{ channel: 'Ticker', costs: ['Its release ends.'] }] }
    weighed.mockResolvedValue(dear)
    const ticker = follow()
    void ticker.follow('time')
    await settled()
    expect(weighed).toHaveBeenCalledWith({ workspace: 'w', post: 'p', channel: 'c' }, master)
    expect([calls.length, ticker.cost.value?.said]).toEqual([0, dear])
    ticker.leave()
    expect(ticker.cost.value).toBeUndefined()
    void ticker.followAll()
    await settled()
    expect(calls.length).toBe(0)
    ticker.sure()
    await settled()
    expect([calls.map(([verb]) => verb), ticker.cost.value]).toEqual([['POST'], undefined])
  })

  it('a text is set back at once: it costs no yes that its seal does not guard', async () => {
    void follow().follow('text')
    await settled()
    expect(weighed).not.toHaveBeenCalled()
  })

  it('says so when it could not be weighed, and does nothing', async () => {
    weighed.mockRejectedValue(new Error('No connection.'))
    void follow().follow('time')
    await settled()
    expect([refused, calls]).toEqual([['No connection.'], []])
  })
})
