import { describe, expect, it } from 'vitest'
import { contrast, filmEdit, moment, plain, shapesFor, useSteps } from './edit'

describe('editing a picture', () => {
  it('leaves out what changes nothing', () => {
    expect(plain({ turn: 0, light: 10, frame: { shape: null }, words: { text: ' ' } })).toEqual({ light: 10 })
    expect(plain({ frame: { shape: [1, 1], focus: null } })).toEqual({ frame: { shape: [1, 1] } })
  })

  it('undoes step by step; one slider moved on is one step', () => {
    const { now, take, undo, undoable, changed, anew } = useSteps()
    take({ turn: 90 }, 'turn')
    take({ light: 5 }, 'light')
    take({ light: 20 }, 'light')
    expect(now.value).toEqual({ turn: 90, light: 20 })
    undo()
    expect(now.value).toEqual({ turn: 90 })
    take({ light: 5 }, 'light')
    undo()
    undo()
    expect([now.value, undoable.value, changed.value]).toEqual([{}, false, false])
    take({ turn: 90 }, 'turn')
    take({ turn: 180 }, 'turn 2')
    anew()
    expect(undoable.value).toBe(false)
  })

  // WCAG 2.2: black on white is 21, #767676 on white 4.54, #777777 4.48 (from memory, recomputed)
  it('measures contrast as the core does', () => {
    expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 3)
    expect(contrast('#767676', '#FFFFFF')).toBeCloseTo(4.54, 2)
    expect(contrast('#FFFFFF', '#777777')).toBeCloseTo(4.48, 2)
  })
})

describe('the shapes that are offered', () => {
  it('are first those that the channels ask for, each once, by their names', () => {
    const channel = (name: string, shapes: number[][] | null) => ({ name, limits: { shapes } })
    const found = shapesFor([
      channel('Harbour', [
        [4, 5],
        [2, 1],
      ]),
      channel('Pier', [
        [9, 16],
        [9, 16],
      ]),
      channel('Stairs', [
        [4, 5],
        [4, 5],
      ]),
      channel('Letters', null),
    ])
    expect(found.slice(0, 4)).toEqual([
      ['as it is', null],
      ['4:5 for Harbour, Stairs', [4, 5]],
      ['2:1 for Harbour', [2, 1]],
      ['9:16 for Pier', [9, 16]],
    ])
    expect(found.map(([, to]) => String(to))).toEqual([...new Set(found.map(([, to]) => String(to)))])
    expect(shapesFor([])[1]).toEqual(['square', [1, 1]])
  })
})

describe('editing a film', () => {
  it('says what changes, and nothing else', () => {
    expect(filmEdit([0, 9_000], false, 9_000)).toEqual({})
    expect(filmEdit([500, 9_000], true, 9_000)).toEqual({ start: 500, mute: true })
    expect(filmEdit([0, 4_000], false, 9_000)).toEqual({ end: 4_000 })
  })

  it('tells a moment in minutes, seconds and tenths', () => {
    expect([0, 950, 41_240, 61_000].map(moment)).toEqual(['0:00.0', '0:01.0', '0:41.2', '1:01.0'])
  })
})
