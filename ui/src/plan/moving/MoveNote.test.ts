// @vitest-environment jsdom
import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import { readAs } from '@/api/time'
import MoveNote from './MoveNote.vue'
import type { Moving } from './moving'
import { moveTo } from './moves'

const held = {
  workspace_id: 'w',
  post_id: 'p',
  subject: 'Fog days',
  channels: ['ti'],
  time: { wall: '2026-10-15T07:30:00', zone: 'Europe/Lisbon' },
  at: '2026-10-15T07:30',
  place: '2026-10-15',
  zone: 'Europe/Lisbon',
}
const cost = { free: true, refused: null, kind: null, at: null, past: false, off: null, costs: [], warnings: [] }
const said = (more: Partial<Moving>) =>
  mount(MoveNote, {
    props: {
      moving: {
        held,
        place: '2026-10-16',
        move: moveTo(held, '2026-10-16', () => undefined),
        cost,
        problem: null,
        ...more,
      },
    },
  })
    .findAll('p')
    .map((line) => line.text())

describe('what a move would do', () => {
  beforeEach(() => readAs({ zone: 'Europe/Lisbon', hour12: false, date_language: 'en-GB' }))

  it('is said in full, the same on several channels once', () => {
    const both = ['Ticker', 'Vitrine'].map((channel) => ({ channel, costs: ['Wren’s yes still counts.'] }))
    const warnings = [{ channel: 'Vitrine', sentence: '“Pier café” goes out here 20 minutes after.' }]
    expect(said({ cost: { ...cost, off: 'Natal', past: true, costs: both, warnings } })).toEqual([
      'Fri 16 Oct, 7:30 from Thu 15 Oct, 7:30',
      'That time is past.',
      'It falls on Natal.',
      'Ticker, Vitrine: Wren’s yes still counts.',
      'Vitrine: “Pier café” goes out here 20 minutes after.',
      'Enter drops it, Esc leaves it',
    ])
  })

  it('is counted where several go together', () => {
    const one = { changed: true, was: 'cleared', stage: 'drafting', before: null, made: [] }
    const several = [
      { ...one, post_id: 'a', done: true, why: null },
      { ...one, post_id: 'b', done: false, stage: 'out', was: 'out', why: 'It is out.' },
    ]
    expect(said({ several }).slice(1, 4)).toEqual([
      '1 post will be moved.',
      '1 goes from cleared to drafting.',
      '1 stays: It is out.',
    ])
  })

  it('is nothing, or a refusal alone', () => {
    expect(said({})[1]).toBe('Nothing stands against it.')
    expect(said({ cost: { ...cost, refused: 'It is out.', past: true } }).slice(1)).toEqual([
      'It is out.',
      'It stays where it is. Esc leaves it',
    ])
    expect(said({ place: '2026-10-15', move: undefined, cost: null })[0]).toBe('Where it is.')
  })
})
