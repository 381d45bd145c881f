import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { ProblemError, draftKey, store } from './browser.testing'

const put = vi.fn()
const weigh = vi.fn()
vi.mock('@tanstack/vue-query', () => ({ useQueryClient: () => ({ invalidateQueries: async () => undefined }) }))
vi.mock('@/api/client', async () =>
  (await import('./browser.testing')).clientOf({
    PUT: (...all: unknown[]) => put(...all),
    POST: (...all: unknown[]) => weigh(...all),
  }),
)

vi.mock('@/parts/undo', () => ({ offerUndo: vi.fn() }))
const { usePlanned, digits } = await import('./planned')

const SATURDAY = { wall: '2026-10-17T20:00:00', zone: 'Europe/Lisbon' }
const nothing = { kind: 'ordinary', at: '2026-10-18T20:00:00Z', past: false, costs: [], free: true }
const dear = {
  ...nothing,
  free: false,
  costs: [{ channel: 'Ticker', costs: ['Wren’s yes will not count for that day and must be asked again.'] }],
}

function choosing(value: typeof SATURDAY | null = SATURDAY) {
  const server = ref<{ value?: unknown; version: number }>({ value, version: 3 })
  const time = effectScope().run(() => usePlanned({ workspace: 'w', post: 'p' }, server, () => 'Europe/Lisbon'))!
  return { time, server }
}
async function settle(ms = 0) {
  await vi.advanceTimersByTimeAsync(ms)
  await nextTick()
}

describe('a planned time being chosen', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    store.clear()
    put.mockReset().mockResolvedValue({ version: 4 })
    weigh.mockReset().mockResolvedValue(nothing)
  })

  it('is saved at once when it costs nothing, with its zone and the version that was seen', async () => {
    const { time } = choosing()
    time.choose('2026-10-18T20:00')
    await settle()
    expect(put).toHaveBeenCalledTimes(1)
    expect(put.mock.calls[0]![1]).toMatchObject({
      params: { path: { part: 'time' }, header: { 'If-Match': '"3"' } },
      body: { value: { wall: '2026-10-18T20:00', zone: 'Europe/Lisbon' } },
    })
    expect(time.state.value).toBe('saved')
  })

  it('waits for a word when it costs something, and is kept until then', async () => {
    weigh.mockResolvedValue(dear)
    const { time } = choosing()
    time.choose('2026-10-18T20:00')
    await settle(60_000)
    expect(put).not.toHaveBeenCalled()
    expect(time.cost.value).toEqual(dear)
    expect(store.get(draftKey('part:p:master:time'))).toContain('2026-10-18T20:00')
    time.sure()
    await settle()
    expect(put).toHaveBeenCalledTimes(1)
    expect(weigh).toHaveBeenCalledTimes(1)
    expect([time.state.value, store.size]).toEqual(['saved', 0])
  })

  it('is left as it was on request', async () => {
    weigh.mockResolvedValue(dear)
    const { time } = choosing()
    time.choose('2026-10-18T20:00')
    await settle()
    time.back()
    expect([time.wall.value, time.state.value, time.cost.value, store.size]).toEqual([
      '2026-10-17T20:00',
      'saved',
      undefined,
      0,
    ])
  })

  it('is never taken away without a word: a field that is being written over is empty for a moment', async () => {
    const { time } = choosing()
    time.choose('')
    await settle(60_000)
    expect(put).not.toHaveBeenCalled()
    time.choose('2026-10-18T09:00')
    await settle(1_000)
    expect(put.mock.calls.map((call) => (call[1] as { body: { value: unknown } }).body.value)).toEqual([
      { wall: '2026-10-18T09:00', zone: 'Europe/Lisbon' },
    ])
  })

  it('can be taken away on purpose', async () => {
    const { time } = choosing()
    time.choose('')
    await settle()
    time.sure()
    await settle()
    expect((put.mock.calls[0]![1] as { body: unknown }).body).toEqual({ value: null })
  })

  it('costs nothing when it is what is saved already', async () => {
    const { time } = choosing()
    time.choose('2026-10-17T20:00')
    await settle()
    expect([weigh.mock.calls.length, put.mock.calls.length, time.state.value]).toEqual([0, 0, 'saved'])
  })

  it('is weighed and saved later where there is no connection', async () => {
    weigh.mockRejectedValueOnce(new Error('offline'))
    const { time } = choosing()
    time.choose('2026-10-18T20:00')
    await settle()
    expect(time.state.value).toBe('waiting')
    await settle(4_000)
    expect([put.mock.calls.length, time.state.value]).toEqual([1, 'saved'])
  })

  it('shows both when somebody chose another meanwhile, and weighs mine anew when it is kept', async () => {
    put.mockRejectedValueOnce(
      new ProblemError({
        code: 'part_changed',
        detail: 'Ines changed this.',
        facts: { theirs: { ...SATURDAY, wall: '2026-10-19T08:00:00' }, version: 5, by: 'Ines' },
      }),
    )
    const { time } = choosing()
    time.choose('2026-10-18T20:00')
    await settle()
    expect(time.state.value).toBe('conflict')
    expect([digits(time.theirs.value?.value), time.wall.value]).toEqual(['2026-10-19T08:00', '2026-10-18T20:00'])
    time.keepMine()
    await settle()
    expect((put.mock.calls[1]![1] as { params: unknown }).params).toMatchObject({ header: { 'If-Match': '"5"' } })
    expect(weigh).toHaveBeenCalledTimes(2)
  })

  it('is not overwritten by what others save while it waits for a word', async () => {
    weigh.mockResolvedValue(dear)
    const { time, server } = choosing()
    time.choose('2026-10-18T20:00')
    await settle()
    server.value = { value: { ...SATURDAY, wall: '2026-10-19T08:00:00' }, version: 4 }
    await settle()
    expect(time.wall.value).toBe('2026-10-18T20:00')
  })

  it('that was kept in a browser is weighed again when it is opened, not saved unasked', async () => {
    store.set(
      draftKey('part:p:master:time'),
      JSON.stringify({ value: { wall: '2026-10-18T20:00', zone: 'Europe/Lisbon' }, seen: 3 }),
    )
    weigh.mockResolvedValue(dear)
    const { time } = choosing()
    await settle(1_000)
    expect([time.wall.value, time.cost.value, put.mock.calls.length]).toEqual(['2026-10-18T20:00', dear, 0])
  })

  it('has no digits where there is none', () => {
    expect([digits(null), digits(SATURDAY)]).toEqual(['', '2026-10-17T20:00'])
  })
})
