import { beforeEach, describe, expect, it, vi } from 'vitest'

const call = vi.fn()
vi.mock('@/api/client', () => ({
  api: {
    POST: (path: string, { body }: { body: unknown }) => call('POST', path.split('/').pop(), body),
    PUT: (path: string, { body }: { body: unknown }) => call('PUT', path.split('/').pop(), body),
  },
  ok: (answer: Promise<unknown>) => answer,
}))
const { inWords, lookAt, take } = await import('./proposals')
const { readAs } = await import('@/api/time')

const LISBON = 'Europe/Lisbon'
const at = (wall: string) => ({ wall: `${wall}:00`, zone: LISBON })
const one = (more: object) => ({
  kind: 'close' as const,
  channel: { id: 'ti', network: 'Ticker', initials: 'Ti', name: 'Ticker' },
  post_id: 'p',
  subject: 'Late boat',
  channels: ['ti'],
  from: at('2026-10-20T09:45'),
  to: at('2026-10-20T11:15'),
  day: null,
  times: [],
  ...more,
})
const kept = one({ kind: 'gap', post_id: null, subject: null, from: null, to: null, day: '2026-10-22' })
const flood = one({
  kind: 'flood',
  to: null,
  times: [
    { channel_id: 'ti', name: 'Ticker', wall: '2026-10-20T10:05' },
    { channel_id: 'vi', name: 'Vitrine', wall: '2026-10-20T10:25' },
  ],
})

describe('what is proposed for the pace', () => {
  beforeEach(() => {
    readAs({ zone: LISBON, hour12: false, date_language: 'en-GB' })
    call.mockReset()
    call.mockResolvedValue({ unreleased: [] })
  })

  it('is said in one sentence', () => {
    expect(inWords(one({}))).toEqual({
      why: 'Too close to another, Ticker',
      does: 'Move “Late boat” from Tue 20 Oct, 9:45 to Tue 20 Oct, 11:15.',
    })
    expect(inWords(kept).does).toBe('Keep 22 Oct free for something.')
    expect(inWords(flood).does).toBe('Spread “Late boat” out: Ticker 10:05 and Vitrine 10:25.')
  })

  it('says what it costs before it is taken, and is the move of the plan', async () => {
    const cost = { refused: null, off: 'Natal', past: false, kind: null, at: null, costs: [], warnings: [] }
    call.mockResolvedValueOnce(cost)
    expect(await lookAt('w', one({}))).toEqual(['It falls on Natal.'])
    const { back } = await take('w', one({}))
    await back()
    expect(call.mock.calls.map(([, act, body]) => [act, body.time ?? null])).toEqual([
      ['move-cost', at('2026-10-20T11:15')],
      ['move', at('2026-10-20T11:15')],
      ['move', at('2026-10-20T09:45')],
    ])
    expect(await lookAt('w', kept)).toEqual([])
  })

  it('keeps a day and gives it back; spreads channels out and puts each back', async () => {
    await (await take('w', kept)).back()
    const cell = { day: '2026-10-22', channel_id: 'ti' }
    expect(call.mock.calls.map(([, , body]) => body)).toEqual([
      { put: [{ ...cell, word: '' }], erase: [] },
      { put: [], erase: [cell] },
    ])
    call.mockClear()
    await (await take('w', flood)).back()
    expect(call.mock.calls.map(([, act, body]) => [act, body.channels ?? body.times.length])).toEqual([
      ['spread-out', 2],
      ['move', ['ti']],
      ['move', ['vi']],
    ])
  })
})
