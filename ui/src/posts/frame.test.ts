import { describe, expect, it } from 'vitest'
import { minorOf } from './amount'
import { cutOf } from './frame'
import { overFrom, overOf } from './over'

describe('the cut of a framed picture', () => {
  // the same values as spec/core/media/frames_spec.rb
  it('is what the core makes', () => {
    expect(cutOf(1600, 1000, { shape: [1, 1], zoom: 200 })).toEqual([550, 250, 500, 500])
    expect(cutOf(1600, 1000, { focus: [900, 500], shape: [1, 1], zoom: 200 })).toEqual([1100, 250, 500, 500])
    expect(cutOf(1600, 1000, { focus: [0, 0], shape: [1, 1] })).toEqual([0, 0, 1000, 1000])
    expect(cutOf(640, 400, {})).toEqual([0, 0, 640, 400])
  })
})

describe('where a limit falls', () => {
  it('counts code points as the core does, and points into the browser’s text', () => {
    expect(overFrom('a🚢b', 2)).toBe(3)
    expect(overFrom('abc', 9)).toBe(3)
  })
  it('is that of the strictest channel that is over', () => {
    const proof = (count: number, limit: number, written: number) => ({ count, limit, written }) as never
    expect(overOf([{ name: 'Commons', proof: proof(9, 10, 9) }])).toBeNull()
    expect(
      overOf([
        { name: 'A', proof: proof(20, 10, 10) },
        { name: 'B', proof: proof(20, 6, 6) },
      ])?.from,
    ).toBe(6)
  })
})

describe('an amount as people type it', () => {
  it('is whole minor units, with point or comma', () => {
    expect(['40', '40.5', '40,50', ' 1 000.01 ', ''].map((one) => minorOf(one, 2))).toEqual([4000, 4050, 4050, 100001, 0])
    expect(minorOf('40', 0)).toBe(40)
  })
  it('is nothing else', () => {
    expect(['-4', '4.505', 'forty', '1.000,50', '4.'].map((one) => minorOf(one, 2))).toEqual([undefined, undefined, undefined, undefined, undefined])
    expect(minorOf('4.5', 0)).toBeUndefined()
  })
})
