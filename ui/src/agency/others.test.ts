import { describe, expect, it } from 'vitest'
import { folds, type Group } from './others'

const names = { w1: 'Quillmere Ferries', w2: 'Brackwater Observatory' }
const group = (workspace_id: string, person: string, ...dues: [string, boolean][]) =>
  ({
    workspace_id,
    person,
    side: 'client',
    open: dues.length,
    since: '2026-10-12T09:00:00Z',
    reminded_at: null,
    asks: [],
    lines: dues.map(([due_at, late]) => ({ due_at, late })),
  }) as unknown as Group
const groups = [
  group('w1', 'Wren Adeyo', ['2026-10-15T10:00:00Z', false]),
  group('w2', 'Halima Sorrento', ['2026-10-14T18:00:00Z', false], ['2026-10-20T10:00:00Z', false]),
  group('w1', 'Odile Marchetti', ['2026-10-13T10:00:00Z', true], ['2026-10-16T10:00:00Z', false]),
]

describe('what waits for others', () => {
  it('stands by person, those first who are late, then who is due first', () => {
    expect(folds(groups, 'person', names).map((one) => [one.name, one.open, one.late])).toEqual([
      ['Odile Marchetti', 2, 1],
      ['Halima Sorrento', 2, 0],
      ['Wren Adeyo', 1, 0],
    ])
  })

  it('or by client, with its people in it', () => {
    expect(folds(groups, 'client', names).map((one) => [one.name, one.groups.length, one.open, one.late])).toEqual([
      ['Quillmere Ferries', 2, 3, 1],
      ['Brackwater Observatory', 1, 2, 0],
    ])
    expect(folds([], 'client', names)).toEqual([])
  })
})
