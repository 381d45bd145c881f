import { describe, expect, it } from 'vitest'
import { enough } from './seen'

// A phone of 800 points, of which the head takes 70 and the answers 130.
const free = { top: 70, bottom: 670 }

describe('a way was seen', () => {
  it('when all of it stood on the screen, however small it is', () => {
    expect(enough({ top: 80, bottom: 140 }, free)).toBe(true)
    expect(enough({ top: 100, bottom: 640 }, free)).toBe(true)
  })

  it('not when its first lines only look out from behind the answers', () => {
    expect(enough({ top: 600, bottom: 1200 }, free)).toBe(false)
    expect(enough({ top: 660, bottom: 700 }, free)).toBe(false)
  })

  it('not when it lies below, above, or behind the answers', () => {
    expect(enough({ top: 700, bottom: 760 }, free)).toBe(false)
    expect(enough({ top: -500, bottom: 40 }, free)).toBe(false)
    expect(enough({ top: 670, bottom: 800 }, free)).toBe(false)
  })

  it('when it fills half of the free place, though it is longer than any screen', () => {
    expect(enough({ top: 370, bottom: 4000 }, free)).toBe(true)
    expect(enough({ top: 371, bottom: 4000 }, free)).toBe(false)
    expect(enough({ top: -3000, bottom: 400 }, free)).toBe(true)
  })

  it('not while it has no height at all', () => {
    expect(enough({ top: 100, bottom: 100 }, free)).toBe(false)
  })
})
