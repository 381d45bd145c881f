import { describe, expect, it, vi } from 'vitest'

vi.mock('@/api/client', () => ({ api: {}, ok: (answer: unknown) => answer }))
const { commands, dayOf } = await import('./commands')

const clients = [
  { id: 'q', name: 'Quillmere Ferries' },
  { id: 'o', name: 'Oddling Bakehouse' },
]
const here = { today: '2026-10-14', clients }
const first = (text: string, client?: string) => commands(text, { ...here, client })[0]

describe('one line that does', () => {
  it('goes to a month, a week, a day, of a client if one is named', () => {
    expect(first('go to october')).toMatchObject({ kind: 'go', to: { name: 'plan', query: { day: '2026-10-01' } } })
    expect(first('oddling november')).toMatchObject({
      to: { query: { client: 'o', day: '2026-11-01' } },
      beside: 'Oddling Bakehouse',
    })
    expect(first('week 43')).toMatchObject({ to: { query: { view: 'week', day: '2026-10-19' } } })
    expect(first('tomorrow', 'q')).toMatchObject({ to: { query: { client: 'q', day: '2026-10-15' } } })
  })

  it('takes the month that is nearest, unless a year is said', () => {
    expect([dayOf('january', '2026-10-14')!.day, dayOf('may', '2026-10-14')!.day]).toEqual(['2027-01-01', '2026-05-01'])
    expect([dayOf('jan 2025', '2026-10-14')!.day, dayOf('15 oct', '2026-10-14')!.day]).toEqual([
      '2025-01-01',
      '2026-10-15',
    ])
    expect([dayOf('31 february', '2026-10-14'), dayOf('week 60', '2026-10-14'), dayOf('boat', '2026-10-14')]).toEqual([
      undefined,
      undefined,
      undefined,
    ])
    // ISO 8601: 1 January 1977 lies in 1976-W53; week 1 of 1977 begins on the 3rd
    expect(dayOf('week 1 2026', '2026-10-14')!.day).toBe('2025-12-29')
  })

  it('begins a post for a client, the one that is chosen, or each of mine', () => {
    expect(commands('new post for oddling', here)).toMatchObject([{ kind: 'post', client: 'o' }])
    expect(commands('new post', { ...here, client: 'q' })).toMatchObject([{ kind: 'post', client: 'q' }])
    expect(commands('new', here).filter((one) => one.kind === 'post')).toHaveLength(2)
  })

  it('releases today’s, after it has shown them', () => {
    expect(first('release today’s')).toMatchObject({ kind: 'release', day: '2026-10-14' })
    expect(first("release tomorrow's for oddling")).toMatchObject({ kind: 'release', day: '2026-10-15', client: 'o' })
  })

  it('opens pages and clients by their names', () => {
    expect(first('people of quillmere')).toMatchObject({ to: { name: 'people', params: { workspace: 'q' } } })
    expect(first('dispatch')).toMatchObject({ to: { name: 'dispatch' } })
    expect(commands('oddling', here).map((one) => one.beside)).toEqual(['Desk', 'Plan'])
    expect(commands('', here)).toEqual([])
  })
})
