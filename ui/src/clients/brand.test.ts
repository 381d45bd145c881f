import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { ProblemError, type Schemas } from '@/api/client'
import { draftsOf } from '@/parts/drafts'

const store = new Map<string, string>()
draftsOf('ines')
vi.stubGlobal('sessionStorage', { getItem: () => 'tab-1' })
vi.stubGlobal('localStorage', {
  getItem: (key: string) => store.get(key) ?? null,
  setItem: (key: string, value: string) => store.set(key, value),
  removeItem: (key: string) => store.delete(key),
})
const put = vi.fn()
vi.mock('@tanstack/vue-query', () => ({ useQueryClient: () => ({ invalidateQueries: () => Promise.resolve() }) }))
vi.mock('@/api/client', async (original) => ({
  ...(await original<object>()),
  api: { PUT: (...args: unknown[]) => put(...args) as unknown },
  ok: (value: unknown) => value,
}))
const { useBrandPart } = await import('./brand')

const written = (value: string, version: number) =>
  ({ value, version, by: 'Ines Calloway', at: '2026-10-14T09:20:00Z' }) as unknown as Schemas['BrandPart']

describe('a part of the brand sheet', () => {
  beforeEach(() => {
    store.clear()
    put.mockReset()
  })

  it('is dirty while it differs, and kept in this browser until it is saved', async () => {
    const server = ref<Schemas['BrandPart'] | undefined>(written('Dry.', 1))
    const part = useBrandPart<string>('w', 'voice', server, '')
    expect(part.dirty).toBe(false)
    part.value = 'Warm.'
    await nextTick()
    expect([part.dirty, store.get('draft:ines:tab-1:brand:w:voice')]).toEqual([true, '{"value":"Warm.","seen":1}'])
    const again = useBrandPart<string>('w', 'voice', ref<Schemas['BrandPart'] | undefined>(written('Salty.', 2)), '')
    expect(again.value).toBe('Warm.')
    put.mockResolvedValue({ version: 3 })
    await again.save() // on top of what was seen, so that the server can say that somebody else has written
    expect((put.mock.calls[0] as [string, { params: { header: Record<string, string> } }])[1].params.header).toEqual({
      'If-Match': '"1"',
    })
  })

  it('is saved with the version that was seen', async () => {
    const server = ref<Schemas['BrandPart'] | undefined>(written('Dry.', 4))
    const part = useBrandPart<string>('w', 'voice', server, '')
    part.value = 'Warm.'
    put.mockResolvedValue({ version: 5 })
    server.value = written('Dry.', 4)
    await part.save()
    expect((put.mock.calls[0] as [string, { params: { header: Record<string, string> } }])[1].params.header).toEqual({
      'If-Match': '"4"',
    })
    expect(store.size).toBe(0)
  })

  it('changed by another meanwhile, shows theirs and keeps mine until one is chosen', async () => {
    const server = ref<Schemas['BrandPart'] | undefined>(written('Dry.', 1))
    const part = useBrandPart<string>('w', 'voice', server, '')
    part.value = 'Warm.'
    put.mockRejectedValueOnce(
      new ProblemError({
        type: 'about:blank',
        title: 'Conflict',
        status: 409,
        code: 'part_changed',
        detail: 'Bram changed this meanwhile.',
        facts: { theirs: 'Salty.', version: 2, by: 'Bram Teodoro' },
      }),
    )
    await part.save()
    expect([part.value, part.theirs?.value, part.theirs?.by]).toEqual(['Warm.', 'Salty.', 'Bram Teodoro'])
    part.takeTheirs()
    expect([part.value, part.theirs]).toEqual(['Salty.', undefined])
  })

  it('is left as it was on request', async () => {
    const server = ref<Schemas['BrandPart'] | undefined>(written('Dry.', 1))
    const part = useBrandPart<string>('w', 'voice', server, '')
    part.value = 'Warm.'
    part.drop()
    await nextTick()
    expect([part.value, part.dirty]).toEqual(['Dry.', false])
  })
})
