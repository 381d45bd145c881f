import { describe, expect, it } from 'vitest'
import { came, health, words, type Feed } from './feeds'

const now = '2026-10-14T09:20:00Z'
const feed = (more: Partial<Feed>) =>
  ({ state: 'fine', said: '', begun: true, paused: false, read_at: now, next_at: now, counts: {}, ...more }) as Feed

describe('a feed in a few words', () => {
  it('says when it was read, what is wrong with it, and when it is tried again', () => {
    expect(health(feed({}), now).words).toMatch(/^read .+, again /)
    expect(health(feed({ begun: false }), now).words).toMatch(/not begun yet$/)
    expect(health(feed({ paused: true }), now).words).toMatch(/^paused; read /)
    const silent = health(feed({ state: 'silent', said: 'no answer in time' }), now)
    expect(silent.words).toMatch(/^It does not answer: no answer in time\. Tried again /)
    expect(silent.loud).toBe(true)
    expect(health(feed({ state: 'gone', said: 'it is gone for good', paused: true }), now)).toEqual({
      words: 'It is gone, so it is paused: it is gone for good.',
      loud: true,
    })
    expect(health(feed({ state: 'new', read_at: null }), now).loud).toBe(false)
  })

  it('says what has come of it', () => {
    expect(came(feed({ counts: { idea: 3, passed: 2 } }))).toBe('3 ideas, 2 passed over')
    expect(came(feed({ counts: { draft: 1 } }))).toBe('1 draft')
    expect(came(feed({}))).toBe('')
  })

  it('takes words by their commas', () => {
    expect(words(' fog,, winter boats ,')).toEqual(['fog', 'winter boats'])
  })
})
