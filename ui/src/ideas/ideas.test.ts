import { describe, expect, it } from 'vitest'
import { became, placed, rating, step, timing, type Board, type Group, type Idea } from './ideas'

const idea = (id: string, group: string | null = null) => ({ id, group_id: group }) as Idea
const group = (id: string | null, ...ids: string[]): Group => ({
  id,
  name: id ?? '',
  ideas: ids.length,
  first: ids.map((one) => idea(one, id)),
  next: null,
})
const board = (...groups: Group[]) => ({ groups }) as Board
const shape = (one: Board) => one.groups.map((each) => [each.id, each.ideas, each.first.map((every) => every.id)])

describe('an idea that is moved', () => {
  const stands = board(group(null, 'a', 'b'), group('crew', 'c'))

  it('stands before another one or last, and both groups count anew', () => {
    expect(shape(placed(stands, 'a', 'crew', 'c'))).toEqual([
      [null, 1, ['b']],
      ['crew', 2, ['a', 'c']],
    ])
    expect(shape(placed(stands, 'a', null, null))).toEqual([
      [null, 2, ['b', 'a']],
      ['crew', 1, ['c']],
    ])
    expect(placed(stands, 'gone', 'crew', null)).toBe(stands)
  })

  it('goes by arrows up and down in its group, left and right into the next one at the same height', () => {
    const groups = board(group(null, 'a', 'b'), group('crew', 'c', 'd', 'e')).groups
    expect(step(groups, 'b', 'ArrowUp')).toEqual({ group: null, before: 'a' })
    expect(step(groups, 'c', 'ArrowDown')).toEqual({ group: 'crew', before: 'e' })
    expect(step(groups, 'd', 'ArrowDown')).toEqual({ group: 'crew', before: null })
    expect(step(groups, 'b', 'ArrowRight')).toEqual({ group: 'crew', before: 'd' })
    expect(step(groups, 'e', 'ArrowLeft')).toEqual({ group: null, before: null })
    expect(step(groups, 'a', 'ArrowUp')).toBeUndefined()
    expect(step(groups, 'a', 'ArrowLeft')).toBeUndefined()
  })
})

describe('an idea in a few words', () => {
  it('says its day, and loudly where that is not kept', () => {
    const due = { due_on: '2026-10-20', planned: null }
    expect(timing({ ...due, timing: 'late' })).toEqual({ words: 'late since 20 Oct', loud: true })
    expect(timing({ ...due, timing: 'soon' })).toEqual({ words: 'by 20 Oct', loud: false })
    expect(timing({ ...due, timing: 'after' }).loud).toBe(true)
    expect(timing({ ...due, timing: 'none' }).words).toBe('')
  })

  it('says what has become of it, and what the house thinks', () => {
    expect(became({ state: 'pencilled', planned: '2026-10-22' })).toBe('pencilled, 22 Oct')
    expect(became({ state: 'post', planned: null })).toBe('post')
    expect(became({ state: 'thought', planned: null })).toBe('')
    expect(rating({ worth: 3.67, votes: 1 })).toBe('3.7 from one vote')
    expect(rating({ worth: null, votes: 0 })).toBe('')
  })
})
