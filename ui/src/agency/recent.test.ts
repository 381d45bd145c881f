import { beforeEach, describe, expect, it, vi } from 'vitest'
import { chosenNow, lately, recentFirst } from './recent'

const kept = new Map<string, string>()
vi.stubGlobal('localStorage', {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => kept.set(key, value),
})
beforeEach(() => kept.clear())

describe('the clients chosen lately', () => {
  const clients = [{ id: 'brackwater' }, { id: 'harrowfen' }, { id: 'oddling' }, { id: 'quillmere' }]

  it('come first, the latest before the others; the rest keeps its order', () => {
    chosenNow('oddling')
    chosenNow('quillmere')
    expect(recentFirst(clients).map((one) => one.id)).toEqual(['quillmere', 'oddling', 'brackwater', 'harrowfen'])
  })

  it('stand there once each, and not for ever', () => {
    for (let n = 0; n < 30; n += 1) chosenNow(`client-${n}`)
    chosenNow('client-29')
    expect(lately()).toHaveLength(12)
    expect(lately()[0]).toBe('client-29')
  })

  it('are forgotten when the browser kept something else', () => {
    kept.set('clients-lately', '{"not":"a list"}')
    expect(lately()).toEqual([])
    kept.set('clients-lately', 'broken')
    expect(lately()).toEqual([])
  })
})
