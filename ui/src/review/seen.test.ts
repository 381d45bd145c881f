import { describe, expect, it } from 'vitest'
import { Coverage } from './seen'

// A phone of 800 points, of which the head takes 70 and the answers 130.
const free = { top: 70, bottom: 670 }
const at = (top: number, height: number) => ({ top, bottom: top + height })

/** What is left unseen of a variant after it stood at these places. */
function left(height: number, ...tops: number[]) {
  const seen = new Coverage()
  for (const top of tops) seen.add(at(top, height), free)
  return seen.gap()
}

describe('a variant was seen', () => {
  it('when all of it stood on the screen, however small it is', () => {
    expect(left(60, 80)).toBeUndefined()
    expect(left(540, 100)).toBeUndefined()
  })

  it('not when its first lines only look out from behind the answers', () => {
    expect(left(600, 600)).toBe(70)
    expect(left(60, 660)).toBe(10)
  })

  it('not when it lies below, above, or behind the answers', () => {
    expect(left(60, 700)).toBe(0)
    expect(left(540, -500)).toBe(0)
    expect(left(130, 670)).toBe(0)
  })

  it('when it is longer than any screen: read from its top to its end, and not before', () => {
    expect(left(3000, 70)).toBe(600)
    expect(left(3000, 70, -400, -900)).toBe(1570)
    expect(left(3000, 70, -400, -900, -1400, -1900, -2400)).toBeUndefined()
  })

  it('not when the middle was jumped over', () => {
    expect(left(3000, 70, -2400)).toBe(600)
    expect(left(3000, -2400)).toBe(0)
  })

  it('whatever the order, and with a line that an edge cut', () => {
    expect(left(1200, -530, 70)).toBeUndefined()
    expect(left(1208, -538, 70)).toBeUndefined()
  })

  it('also when it is laid out anew in between, as on a phone that is turned', () => {
    const seen = new Coverage()
    seen.add(at(70, 1200), free)
    seen.add(at(70 - 300, 600), free)
    expect(seen.gap()).toBeUndefined()
  })

  it('not while it has no height at all', () => {
    expect(left(0, 100)).toBe(0)
  })
})
