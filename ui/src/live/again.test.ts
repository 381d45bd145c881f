import { QueryClient } from '@tanstack/vue-query'
import { describe, expect, it, vi } from 'vitest'

let reply: () => Promise<unknown>
const asked: unknown[] = []
vi.mock('@/api/client', () => ({
  ok: (call: Promise<unknown>) => call,
  api: { GET: (_path: string, init: { params: { query: unknown } }) => (asked.push(init.params.query), reply()) },
}))
const { fetchAgain } = await import('./again')

describe('one block of a sheet', () => {
  it('takes its place in the sheet that is shown, and leaves the others as they are', async () => {
    const queries = new QueryClient()
    queries.setQueryData(['post', 'p'], { subject: 'Fog days', remarks: [] })
    reply = async () => ({ remarks: [{ words: 'Choir is booked.' }] })
    await fetchAgain(queries, 'w', 'p', 'talk')
    expect(asked).toEqual([{ names: 'talk' }])
    expect(queries.getQueryData(['post', 'p'])).toEqual({
      subject: 'Fog days',
      remarks: [{ words: 'Choir is booked.' }],
    })
  })

  it('that cannot be had has the whole sheet fetched again', async () => {
    const queries = new QueryClient()
    queries.setQueryData(['post', 'p'], { subject: 'Fog days' })
    reply = () => Promise.reject(new Error('gone'))
    await fetchAgain(queries, 'w', 'p', 'talk')
    expect(queries.getQueryState(['post', 'p'])!.isInvalidated).toBe(true)
  })
})
