import { describe, expect, it } from 'vitest'
import { cutOf } from './frame'

describe('the cut of a framed picture', () => {
  // the same values as spec/core/media/frames_spec.rb
  it('is what the core makes', () => {
    expect(cutOf(1600, 1000, { shape: [1, 1], zoom: 200 })).toEqual([550, 250, 500, 500])
    expect(cutOf(1600, 1000, { focus: [900, 500], shape: [1, 1], zoom: 200 })).toEqual([1100, 250, 500, 500])
    expect(cutOf(1600, 1000, { focus: [0, 0], shape: [1, 1] })).toEqual([0, 0, 1000, 1000])
    expect(cutOf(640, 400, {})).toEqual([0, 0, 640, 400])
  })
})
