import { describe, expect, it } from 'vitest'
import { descriptionsOf } from './into-post'
import { measures, placed, standing, weight, type Medium } from './library'

const picture = {
  kind: 'picture',
  width: 4000,
  height: 3000,
  usable: 'always',
  usable_until: null,
  wordy: false,
  covered: 0,
  used: 0,
  out: 0,
} as unknown as Medium

describe('a file in a few words', () => {
  it('is its size, its time or its pages', () => {
    expect(measures(picture)).toBe('4000 × 3000')
    expect(measures({ kind: 'video', width: 1080, height: 1920, duration_ms: 41_400, pages: null })).toBe(
      '0:41 · 1080 × 1920',
    )
    expect(measures({ kind: 'document', width: 1, height: 1, duration_ms: null, pages: 1 })).toBe('1 page')
    expect([900, 52_300, 3_240_000].map(weight)).toEqual(['1 kB', '52 kB', '3.2 MB'])
  })

  it('says first what stands in the way of using it, then where it is', () => {
    const said = (more: Partial<Medium>) => standing({ ...picture, ...more }).words
    expect(said({ usable: 'ended', usable_until: '2026-10-01', wordy: true, used: 1 })).toMatch(
      /^was free to use until/,
    )
    expect(said({ usable: 'soon', usable_until: '2026-10-31', out: 2, used: 2 })).toMatch(/^until/)
    expect(said({ wordy: true, covered: 0.312, used: 1 })).toBe('words 31 %')
    expect(said({ used: 3, out: 1 })).toBe('out once')
    expect(said({ used: 3 })).toBe('in 3 posts')
    expect(said({})).toBe('')
  })

  it('goes into a post with its description, where nothing is written there yet', () => {
    const media = [
      { id: 'a', description: 'A ferry' },
      { id: 'b', description: '' },
      { id: 'c', description: 'A pier' },
    ]
    expect(descriptionsOf(media, { c: 'The long pier' })).toEqual({ a: 'A ferry', c: 'The long pier' })
  })
})

describe('where a picture was taken', () => {
  it('is said by the halves of the earth', () => {
    expect(placed({ latitude: 59.91, longitude: 10.75 })).toBe('59.9100° N, 10.7500° E')
    expect(placed({ latitude: -33.5, longitude: -70.25 })).toBe('33.5000° S, 70.2500° W')
  })
})
