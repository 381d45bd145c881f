import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'

const post = vi.fn()
vi.mock('vue', async (original) => ({ ...(await original<typeof import('vue')>()), provide: () => undefined }))
vi.mock('@/api/client', () => ({ ok: (call: unknown) => call, api: { POST: (...all: unknown[]) => post(...all) } }))
vi.stubGlobal('window', {
  setTimeout: (act: () => void, wait: number) => setTimeout(act, wait),
  clearTimeout: (id: number) => clearTimeout(id),
})

const { provideChecks } = await import('./checks')
type Sheet = Parameters<typeof provideChecks>[1]['value']
type One = Parameters<ReturnType<typeof provideChecks>['of']>[0]

const proof = (count: number, ...codes: string[]) => ({
  count,
  checks: codes.map((code) => ({ code, sentence: code })),
})
const saved = { id: 'a', proof: proof(10, 'flooding', 'repeat') } as unknown as One
const answer = (count: number, ...codes: string[]) => ({
  master: { count },
  adaptations: [{ id: 'a', proof: proof(count, ...codes) }],
})

function sheetOf(one: One) {
  return ref({ adaptations: [one] } as unknown as Sheet)
}
async function settle(ms = 200) {
  await vi.advanceTimersByTimeAsync(ms)
  await nextTick()
}

describe('checks as one types', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    post.mockReset()
  })

  it('asks once for a burst of letters, and shows what the core says of the last', async () => {
    post.mockResolvedValue(answer(3))
    const checks = provideChecks({ workspace: 'w', post: 'p' }, sheetOf(saved))
    for (const text of ['F', 'Fo', 'Fog']) checks.ask('text', undefined, text)
    expect(checks.of(saved).count).toBe(10)
    await settle()
    expect(post.mock.calls.map((call) => (call[1] as { body: unknown }).body)).toEqual([
      { part: 'text', channel: null, value: 'Fog' },
    ])
    expect([checks.of(saved).count, checks.count.value]).toEqual([3, 3])
  })

  it('cancels a question that was overtaken, and its late answer changes nothing', async () => {
    const signals: AbortSignal[] = []
    const late: ((value: unknown) => void)[] = []
    post.mockImplementation((_path: string, { signal }: { signal: AbortSignal }) => {
      signals.push(signal)
      return new Promise((resolve, reject) => {
        late.push(resolve)
        signal.addEventListener('abort', () => reject(new DOMException('overtaken', 'AbortError')))
      })
    })
    const checks = provideChecks({ workspace: 'w', post: 'p' }, sheetOf(saved))
    checks.ask('text', undefined, 'first')
    await settle()
    checks.ask('text', undefined, 'second')
    await settle()
    expect(signals.map((one) => one.aborted)).toEqual([true, false])
    late[1]!(answer(6))
    late[0]!(answer(5))
    await settle()
    expect(checks.of(saved).count).toBe(6)
  })

  it('keeps what is known of other posts from the last save, and takes the flood among its own channels from what is typed', async () => {
    post.mockResolvedValue(answer(3))
    const checks = provideChecks({ workspace: 'w', post: 'p' }, sheetOf(saved))
    checks.ask('text', 'c', 'Other words')
    await settle()
    expect(checks.of(saved).checks.map((one) => one.code)).toEqual(['repeat'])
  })

  it('keeps the times that were proposed for a flood, as long as it is the same flood', async () => {
    const mend = { words: 'spread out', times: [{ channel_id: 'v', name: 'Vitrine', wall: '2026-10-15T07:50' }] }
    const flooded = {
      id: 'a',
      proof: { count: 1, checks: [{ code: 'flooding', sentence: 'flooding', mend }] },
    } as unknown as One
    post.mockResolvedValueOnce(answer(3, 'flooding'))
    const checks = provideChecks({ workspace: 'w', post: 'p' }, sheetOf(flooded))
    checks.ask('text', undefined, 'Fog')
    await settle()
    expect(checks.of(flooded).checks).toEqual([{ code: 'flooding', sentence: 'flooding', mend }])
  })

  it('shows what is saved from the next save on, and what was said before when the question fails', async () => {
    post.mockResolvedValueOnce(answer(3))
    const sheet = sheetOf(saved)
    const checks = provideChecks({ workspace: 'w', post: 'p' }, sheet)
    checks.ask('text', undefined, 'Fog')
    await settle()
    post.mockRejectedValueOnce(new TypeError('offline'))
    checks.ask('text', undefined, 'Fog!')
    await settle()
    expect(checks.of(saved).count).toBe(3)
    const next = { ...saved, proof: proof(4) } as unknown as One
    sheet.value = { adaptations: [next] } as unknown as Sheet
    await nextTick()
    expect([checks.of(next).count, checks.count.value]).toEqual([4, undefined])
  })
})
