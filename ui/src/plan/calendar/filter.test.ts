import { describe, expect, it, vi } from 'vitest'

vi.mock('@/api/client', () => ({ api: {}, ok: (answer: unknown) => answer }))
const { KINDS, inWords, narrowingOf, offers } = await import('./filter')

const none = Object.fromEntries(KINDS.map((kind) => [kind, ''])) as Record<(typeof KINDS)[number], string>
const choices = {
  channels: [{ workspace_id: 'w', id: 'ti', network: 'ticker', initials: 'Ti', name: 'Ticker', off: false }],
  labels: [
    { workspace_id: 'w', id: 'l', name: 'Places', colour: 'ink', initials: '', parent_id: null, merged: ['old'] },
  ],
  campaigns: [],
  people: [{ id: 'p', name: 'Ines Calloway' }],
}

describe('what the plan is narrowed to', () => {
  it('is what the address says; what belongs to one client holds with one alone', () => {
    const values = { ...none, stages: 'cleared', labels: 'l' }
    expect(narrowingOf(values, true)).toEqual({ stages: 'cleared', labels: 'l' })
    expect(narrowingOf(values, false)).toEqual({ stages: 'cleared' })
    expect(offers(choices, false).labels).toEqual([])
  })

  it('is said in words, also where something is gone', () => {
    const said = inWords({ stages: 'cleared,released', labels: 'gone', words: 'fog' }, offers(choices, true))
    expect(said).toBe('Stage: cleared, released · Label: something that is gone · “fog”')
    expect(inWords({}, offers(undefined, true))).toBe('')
    expect(inWords({ labels: 'old' }, offers(choices, true))).toBe('Label: Places')
  })
})
