import { describe, expect, it } from 'vitest'
import { clamped, share, type Box } from './boxes'

describe('boxes around words', () => {
  // the same cases by hand as in spec/core/media/coverage_spec.rb
  const cases: [Box[], number][] = [
    [[], 0],
    [[[0, 0, 1000, 1000]], 1],
    [[[0, 0, 500, 400]], 0.2],
    [
      [
        [0, 0, 500, 500],
        [250, 250, 500, 500],
      ],
      7 / 16,
    ],
    [
      [
        [100, 100, 800, 800],
        [200, 200, 10, 10],
      ],
      0.64,
    ],
    [
      [
        [0, 450, 1000, 100],
        [450, 0, 100, 1000],
      ],
      0.19,
    ],
  ]
  it.each(cases)('%j cover %d', (boxes, covered) => expect(share(boxes)).toBeCloseTo(covered, 12))

  it('stay inside the picture and can be seen', () => {
    expect(clamped([-40, 990, 300, 50])).toEqual([0, 950, 300, 50])
    expect(clamped([500, 500, 1, 2000])).toEqual([500, 0, 10, 1000])
  })
})
