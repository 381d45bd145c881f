import { beforeEach, describe, expect, it, vi } from 'vitest'
import { Offline, Queue, Refusal, sendAnswer, type Review, type Waiting } from './api'

const store = new Map<string, string>()
vi.stubGlobal('localStorage', {
  getItem: (key: string) => store.get(key) ?? null,
  setItem: (key: string, value: string) => store.set(key, value),
})

const review = (line: string) => ({ lines: [{ id: line }] }) as unknown as Review
const waiting = (line: string, key: string): Waiting => ({
  key,
  line,
  body: { verdict: 'yes', words: '', shown: { a: 'f' }, seen: 0 },
})

describe('answers that wait for a connection', () => {
  beforeEach(() => store.clear())

  it('are kept until they were sent, the newest for each post', () => {
    const queue = new Queue(review('l1'))
    queue.put(waiting('l1', 'k1'))
    queue.put(waiting('l2', 'k2'))
    queue.put(waiting('l1', 'k3'))
    expect(queue.all().map((one) => one.key)).toEqual(['k2', 'k3'])
    queue.drop('k2')
    expect(new Queue(review('l1')).all().map((one) => one.key)).toEqual(['k3'])
  })

  it('belong to one ask: another link on the same phone never sends them', () => {
    new Queue(review('l1')).put(waiting('l1', 'k1'))
    expect(new Queue(review('l9')).all()).toEqual([])
  })
})

describe('sending an answer', () => {
  const reply = (status: number, body: unknown) =>
    vi.stubGlobal(
      'fetch',
      vi.fn(async () => new Response(JSON.stringify(body), { status })),
    )

  it('echoes what was shown and carries its key, so that a repeated send counts once', async () => {
    reply(200, { stage: 'cleared' })
    await sendAnswer(waiting('l1', 'key-1'))
    const [path, options] = vi.mocked(fetch).mock.calls[0] as [string, RequestInit]
    expect(path).toBe('/api/review/lines/l1/answer')
    expect((options.headers as Record<string, string>)['Idempotency-Key']).toBe('key-1')
    expect(JSON.parse(String(options.body))).toMatchObject({ verdict: 'yes', shown: { a: 'f' } })
  })

  it('tells a refusal with the server’s own sentence and way on', async () => {
    reply(410, { code: 'withdrawn', detail: 'The ask was withdrawn.', way_on: 'Nothing is needed.' })
    await expect(sendAnswer(waiting('l1', 'k'))).rejects.toMatchObject({
      code: 'withdrawn',
      message: 'The ask was withdrawn. Nothing is needed.',
    })
    await expect(sendAnswer(waiting('l1', 'k'))).rejects.toBeInstanceOf(Refusal)
  })

  it('takes no reply and a broken server alike: the answer waits', async () => {
    reply(502, {})
    await expect(sendAnswer(waiting('l1', 'k'))).rejects.toBeInstanceOf(Offline)
    vi.stubGlobal(
      'fetch',
      vi.fn(async () => Promise.reject(new TypeError('offline'))),
    )
    await expect(sendAnswer(waiting('l1', 'k'))).rejects.toBeInstanceOf(Offline)
  })
})
