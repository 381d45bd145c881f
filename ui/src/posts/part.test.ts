import { beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref } from 'vue'
import { ProblemError, draftKey, store } from './browser.testing'

const put = vi.fn()
const invalidate = vi.fn(async () => undefined)
vi.mock('@tanstack/vue-query', () => ({ useQueryClient: () => ({ invalidateQueries: invalidate }) }))
vi.mock('@/api/client', async () =>
  (await import('./browser.testing')).clientOf({ PUT: (...all: unknown[]) => put(...all) }),
)
const offered: (() => unknown)[] = []
vi.mock('@/parts/undo', () => ({ offerUndo: (_words: string, undo: () => unknown) => offered.push(undo) }))

const { usePart } = await import('./part')

const where = { workspace: 'w', post: 'p', part: 'text' as const }
const key = draftKey('part:p:master:text')
const kept = () => JSON.parse(store.get(key) ?? 'null') as unknown
interface Sent {
  params: { header: { 'If-Match': string } }
  body: { value: string }
}

function writing(server = ref<{ value?: unknown; version: number }>({ value: 'first', version: 3 })) {
  const scope = effectScope()
  const part = scope.run(() => usePart<string>(where, server, ''))!
  return { part, server }
}
async function settle(ms = 500) {
  await vi.advanceTimersByTimeAsync(ms)
  await nextTick()
}

describe('a part being written', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    store.clear()
    put.mockReset()
    invalidate.mockClear()
  })

  it('is kept in the browser from the first letter, and saved after a pause with the version that was seen', async () => {
    put.mockResolvedValue({ version: 4 })
    const { part } = writing()
    part.change('f')
    part.change('fo')
    expect(kept()).toEqual({ value: 'fo', seen: 3 })
    expect(part.state.value).toBe('typing')
    await settle()
    expect(put).toHaveBeenCalledTimes(1)
    expect(put.mock.calls[0]![1]).toMatchObject({ params: { header: { 'If-Match': '"3"' } }, body: { value: 'fo' } })
    expect(part.state.value).toBe('saved')
    expect(store.has(key)).toBe(false)
  })

  it('is saved again when something was typed while it was being saved', async () => {
    let finish: (value: { version: number }) => void = () => undefined
    put.mockImplementationOnce(() => new Promise((resolve) => (finish = resolve)))
    put.mockResolvedValueOnce({ version: 5 })
    const { part } = writing()
    part.change('one')
    await settle()
    part.value.value = 'one two'
    finish({ version: 4 })
    await settle(0)
    expect(part.state.value).toBe('typing')
    await settle()
    expect(put.mock.calls[1]![1]).toMatchObject({
      params: { header: { 'If-Match': '"4"' } },
      body: { value: 'one two' },
    })
    expect(part.state.value).toBe('saved')
  })

  it('waits for the connection and tries again by itself', async () => {
    put.mockRejectedValueOnce(new TypeError('offline'))
    put.mockResolvedValueOnce({ version: 4 })
    const { part } = writing()
    part.change('on the train')
    await settle()
    expect(part.state.value).toBe('waiting')
    expect(kept()).toEqual({ value: 'on the train', seen: 3 })
    await settle(3_100)
    expect(part.state.value).toBe('saved')
  })

  it('shows theirs when somebody else saved first, and keeps mine on request', async () => {
    put.mockRejectedValueOnce(
      new ProblemError({
        code: 'part_changed',
        detail: 'Wren changed this meanwhile.',
        facts: { theirs: 'Wren’s', version: 9, by: 'Wren' },
      }),
    )
    put.mockResolvedValueOnce({ version: 10 })
    const { part } = writing()
    part.change('mine')
    await settle()
    expect(part.state.value).toBe('conflict')
    expect(part.theirs.value).toEqual({ value: 'Wren’s', version: 9, by: 'Wren' })
    part.keepMine()
    await settle()
    expect(put.mock.calls[1]![1]).toMatchObject({ params: { header: { 'If-Match': '"9"' } }, body: { value: 'mine' } })
    expect(part.state.value).toBe('saved')
  })

  it('takes theirs on request', async () => {
    put.mockRejectedValueOnce(
      new ProblemError({ code: 'part_changed', detail: '', facts: { theirs: 'Wren’s', version: 9 } }),
    )
    const { part } = writing()
    part.change('mine')
    await settle()
    part.takeTheirs()
    expect([part.value.value, part.state.value, store.has(key)]).toEqual(['Wren’s', 'saved', false])
  })

  it('fetches back what lost, whichever it was', async () => {
    const conflict = () =>
      put.mockRejectedValueOnce(
        new ProblemError({ code: 'part_changed', detail: '', facts: { theirs: 'Wren’s', version: 9 } }),
      )
    put.mockResolvedValue({ version: 10 })
    for (const [choose, lost] of [
      ['takeTheirs', 'mine'],
      ['keepMine', 'Wren’s'],
    ] as const) {
      conflict()
      const { part } = writing()
      part.change('mine')
      await settle()
      part[choose]()
      await settle()
      await offered.at(-1)!()
      await settle()
      expect([part.value.value, part.state.value]).toEqual([lost, 'saved'])
      expect(put.mock.calls.at(-1)![1]).toMatchObject({ body: { value: lost } })
    }
  })

  it('keeps what was refused in the field, with the reason, until it is given up', async () => {
    put.mockRejectedValue(new ProblemError({ code: 'too_long', detail: 'At most 100000.', facts: {} }))
    const { part } = writing()
    part.change('far too long')
    await settle()
    expect([part.state.value, part.problem.value, part.value.value]).toEqual([
      'refused',
      'At most 100000.',
      'far too long',
    ])
    part.drop()
    expect([part.value.value, part.state.value]).toEqual(['first', 'saved'])
  })

  it('finds what was typed before the tab was closed, and saves it', async () => {
    store.set(key, JSON.stringify({ value: 'half a sentence', seen: 3 }))
    put.mockResolvedValue({ version: 4 })
    const { part } = writing()
    expect(part.value.value).toBe('half a sentence')
    await settle()
    expect(put).toHaveBeenCalledTimes(1)
  })

  it('says what it was typed on when the tab was closed meanwhile, so that somebody else’s words are not written over', async () => {
    store.set(key, JSON.stringify({ value: 'typed yesterday', seen: 3 }))
    put.mockRejectedValue(
      new ProblemError({
        code: 'part_changed',
        detail: '',
        facts: { theirs: 'Wren’s, this morning', version: 7, by: 'Wren' },
      }),
    )
    const { part } = writing(ref({ value: 'Wren’s, this morning', version: 7 }))
    await settle()
    expect(put.mock.calls[0]![1]).toMatchObject({ params: { header: { 'If-Match': '"3"' } } })
    expect([part.state.value, part.value.value]).toEqual(['conflict', 'typed yesterday'])
  })

  it('is sent once at a time, however slow the line: nobody meets their own words as somebody else’s', async () => {
    let finish: (value: { version: number }) => void = () => undefined
    put.mockImplementationOnce(() => new Promise((resolve) => (finish = resolve)))
    put.mockResolvedValueOnce({ version: 5 })
    const { part } = writing()
    part.change('one')
    await settle()
    part.change('one two')
    await settle(2_000)
    part.change('one two three')
    await part.save()
    expect(put).toHaveBeenCalledTimes(1)
    finish({ version: 4 })
    await settle(0)
    expect(kept()).toEqual({ value: 'one two three', seen: 4 })
    await settle()
    expect(
      put.mock.calls.map((call) => [(call[1] as Sent).params.header['If-Match'], (call[1] as Sent).body.value]),
    ).toEqual([
      ['"3"', 'one'],
      ['"4"', 'one two three'],
    ])
    expect(part.state.value).toBe('saved')
  })

  it('is sent again when it was mended while its refusal was on the way', async () => {
    let refuse: (error: unknown) => void = () => undefined
    put.mockImplementationOnce(() => new Promise((_, reject) => (refuse = reject)))
    put.mockResolvedValueOnce({ version: 4 })
    const { part } = writing()
    part.change('far too long')
    await settle()
    part.change('short')
    refuse(new ProblemError({ code: 'too_long', detail: 'At most 5.', facts: {} }))
    await settle(0)
    expect(part.state.value).toBe('typing')
    await settle()
    expect([part.state.value, put.mock.calls.length]).toEqual(['saved', 2])
  })

  it('follows the server while nothing is being typed, and not while something is', async () => {
    put.mockResolvedValue({ version: 9 })
    const { part, server } = writing()
    server.value = { value: 'from the server', version: 4 }
    await nextTick()
    expect(part.value.value).toBe('from the server')
    part.change('typing')
    server.value = { value: 'from elsewhere', version: 5 }
    await nextTick()
    expect(part.value.value).toBe('typing')
  })
})
