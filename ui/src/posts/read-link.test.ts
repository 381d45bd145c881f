import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { readLink } from './read-link'

const ears = new Set<(message: { what: string; reading?: string }) => void>()
const POST = vi.fn(async () => ({ id: 'one' }))
const GET = vi.fn(async (): Promise<{ page: unknown }> => ({ page: null }))
vi.mock('@/live/live', () => ({
  hear: (ear: () => void) => {
    ears.add(ear)
    return () => ears.delete(ear)
  },
}))
vi.mock('@/api/client', () => ({ api: { POST: () => POST(), GET: () => GET() }, ok: (made: unknown) => made }))
const say = (message: { what: string; reading?: string }) => ears.forEach((ear) => ear(message))
const PAGE = { title: 'The harbour lamp', words: '', media_id: null }

describe('the page of a link', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    GET.mockReset()
    GET.mockResolvedValue({ page: null })
  })
  afterEach(() => {
    vi.useRealTimers()
    expect(ears.size).toBe(0)
  })

  it('is fetched when the server tells that it is there, and not asked for before', async () => {
    const page = readLink('w', 'https://quillmere.example/')
    await vi.advanceTimersByTimeAsync(1000)
    expect(GET).not.toHaveBeenCalled()
    GET.mockResolvedValue({ page: PAGE })
    say({ what: 'link_read', reading: 'another' })
    say({ what: 'link_read', reading: 'one' })
    await expect(page).resolves.toEqual(PAGE)
    expect(GET).toHaveBeenCalledTimes(1)
  })

  it('is found even when that word is lost', async () => {
    const page = readLink('w', 'https://quillmere.example/')
    await vi.advanceTimersByTimeAsync(3000)
    GET.mockResolvedValue({ page: PAGE })
    await vi.advanceTimersByTimeAsync(2000)
    await expect(page).resolves.toEqual(PAGE)
  })

  it('is given up after half a minute, with the way on', async () => {
    const page = expect(readLink('w', 'https://quillmere.example/')).rejects.toThrow('Write the card by hand')
    await vi.advanceTimersByTimeAsync(40_000)
    await page
  })
})
