import { describe, expect, it } from 'vitest'
import { drawsInColour } from './emoji-look'

/** A canvas whose pen draws every point in one colour. */
function drawing(...point: number[]): HTMLCanvasElement {
  const pen = { fillText: () => undefined, getImageData: () => ({ data: Array(400).fill(point).flat() }) }
  return { getContext: () => pen } as unknown as HTMLCanvasElement
}

describe('how the system draws emoji', () => {
  it('is in colour when one drawn is', () => {
    expect(drawsInColour(drawing(250, 200, 40, 255))).toBe(true)
  })
  it('is not when it is drawn in ink, or not at all', () => {
    expect(drawsInColour(drawing(10, 10, 10, 255))).toBe(false)
    expect(drawsInColour(drawing(250, 200, 40, 0))).toBe(false)
    expect(drawsInColour({ getContext: () => null } as unknown as HTMLCanvasElement)).toBe(false)
  })
})
