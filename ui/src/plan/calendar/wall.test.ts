import { describe, expect, it, vi } from 'vitest'
import type { Cell } from './wall'

vi.mock('@/api/client', () => ({ api: {}, ok: (answer: unknown) => answer }))
const { changes, reordered } = await import('./wall')

const cell = (name: string, day: number, stage = 'drafting') =>
  ({ post_id: name, stage, time: { wall: `2026-10-${day}T09:00:00`, zone: 'Europe/Lisbon' } }) as unknown as Cell
// the latest first
const cells = [cell('d', 24), cell('c', 22), cell('b', 20), cell('a', 10, 'out')]
const names = (all: Cell[]) => all.map((one) => one.post_id).join('')

describe('the wall', () => {
  it('puts a picture in the place of another, and what is out stays', () => {
    expect(names(reordered(cells, 2, 0))).toBe('bdca')
    expect(names(reordered(cells, 0, 1))).toBe('cdba')
    expect(reordered(cells, 3, 0)).toBe(cells)
    expect(reordered(cells, 0, 3)).toBe(cells)
  })

  it('leaves the times where they are: each picture takes the time of its new place', () => {
    expect(
      changes(cells, reordered(cells, 2, 0)).map(({ cell: one, time }) => [one.post_id, time.wall.slice(8, 10)]),
    ).toEqual([
      ['b', '24'],
      ['d', '22'],
      ['c', '20'],
    ])
    expect(changes(cells, cells)).toEqual([])
  })
})
