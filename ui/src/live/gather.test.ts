import { QueryClient } from '@tanstack/vue-query'
import { beforeEach, describe, expect, it, vi } from 'vitest'

vi.stubGlobal('window', { setTimeout: (act: () => void, wait: number) => setTimeout(act, wait) })
const { gatherer } = await import('./gather')

const MINE = '01a139b6-2200-7e8e-b4b7-f90bce9ebcf2'
const OTHER = '01a139b6-2200-7036-8a2e-f55aef311a5a'
const POST = '01a139b6-2200-7a95-ae51-f67bd7a14833'

function listening(...keys: unknown[][]) {
  const queries = new QueryClient()
  for (const key of keys) queries.setQueryData(key, 'there')
  const stale = () =>
    queries
      .getQueryCache()
      .getAll()
      .filter((one) => one.state.isInvalidated)
      .map((one) => one.queryKey)
  const told = vi.spyOn(queries, 'invalidateQueries')
  const again = vi.fn()
  return { hear: gatherer(queries, again), stale, told, again }
}

describe('live messages', () => {
  beforeEach(() => void vi.useFakeTimers())

  it('in a burst are gathered: the first at once, the rest together after a second', async () => {
    const { hear, told } = listening(['desk', MINE])
    for (let n = 0; n < 50; n += 1) hear(MINE, { what: 'posts', ids: [`${n}`] })
    await vi.advanceTimersByTimeAsync(0)
    expect(told).toHaveBeenCalledTimes(1)
    for (let n = 0; n < 50; n += 1) hear(MINE, { what: 'posts', ids: [`${n}`] })
    await vi.advanceTimersByTimeAsync(900)
    expect(told).toHaveBeenCalledTimes(1)
    await vi.advanceTimersByTimeAsync(200)
    expect(told).toHaveBeenCalledTimes(2)
  })

  it('have only that fetched again which they are about: this post, this client’s lists, and those over all', async () => {
    const { hear, stale } = listening(
      ['desk', MINE],
      ['desk', OTHER],
      ['desk', undefined],
      ['post', POST],
      ['post', 'another'],
      ['people', MINE],
      ['waits'],
    )
    hear(MINE, { what: 'posts', ids: [POST] })
    await vi.advanceTimersByTimeAsync(0)
    expect(stale()).toEqual([['desk', MINE], ['desk', undefined], ['post', POST], ['waits']])
  })

  it('that somebody said something has the talk of an open sheet fetched, and not the sheet', async () => {
    const { hear, stale, again } = listening(['post', POST], ['record', POST])
    hear(MINE, { what: 'talk', ids: [POST, 'not open'] })
    await vi.advanceTimersByTimeAsync(0)
    expect(again.mock.calls).toEqual([[MINE, POST, 'talk']])
    expect(stale()).toEqual([['record', POST]])
  })

  it('about a client’s settings reach what hangs on them', async () => {
    const { hear, stale } = listening(['me'], ['settings', MINE], ['settings', OTHER], ['brand', MINE])
    hear(MINE, { what: 'settings', ids: [] })
    await vi.advanceTimersByTimeAsync(0)
    expect(stale()).toEqual([['me'], ['settings', MINE]])
  })
})
