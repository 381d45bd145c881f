// @vitest-environment jsdom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import DeskAlarms from './DeskAlarms.vue'
import DeskRows from './DeskRows.vue'

const names = { w1: 'Quillmere Ferries', w2: 'Brackwater Observatory' }
const rows = (count: number) =>
  Array.from({ length: count }, (_, n) => ({ workspace_id: n % 2 ? 'w2' : 'w1', id: `p${n}` }))
const list = (count: number) =>
  mount(DeskRows as never, {
    props: { rows: rows(count), count, names, id: (one: { id: string }) => one.id } as never,
    slots: { default: '<a>{{ params.row.id }}</a>' },
  })

describe('a list of the Desk', () => {
  it('folds by client when it has many of several', () => {
    expect(list(12).findAll('details')).toHaveLength(0)
    const many = list(20)
    expect(many.findAll('summary').map((one) => one.text())).toEqual([
      'Quillmere Ferries 10',
      'Brackwater Observatory 10',
    ])
    expect(many.findAll('details').map((one) => one.attributes('open') !== undefined)).toEqual([true, false])
  })
})

describe('alarms on the Desk', () => {
  const lapsed = (n: number) => ({
    workspace_id: 'w1',
    channel_id: `c${n}`,
    name: `Ticker ${n}`,
    network: 'Ticker',
    initials: 'Ti',
    level: 'lapsed',
    sentence: 'The connection has lapsed.',
    planned: n,
  })
  const shown = (connect: boolean, count: number) =>
    mount(DeskAlarms, {
      props: {
        alarm: 'The dispatcher has been silent.',
        desk: {
          connections: Array.from({ length: count }, (_, n) => lapsed(n)),
          set_ups: [{ workspace_id: 'w1', name: 'Quillmere Ferries', step: 'days' }],
        },
        clients: {
          w1: {
            name: 'Quillmere Ferries',
            can: { connect: { ok: connect }, release: { ok: connect }, change_settings: { ok: connect } },
          },
        },
      },
      global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } },
    })

  it('of one kind are one line that opens', () => {
    expect(shown(true, 1).text()).toContain('Quillmere Ferries, Ticker 0: The connection has lapsed.')
    const many = shown(true, 7)
    expect(many.find('summary').text()).toBe(
      '7 connections have lapsed; nothing can go out there until they are connected again: Quillmere Ferries',
    )
    expect(many.findAll('li')).toHaveLength(7)
  })

  it('go to those who can do something about them', () => {
    expect(shown(false, 3).text()).toBe('')
    expect(shown(true, 0).text()).toContain('The dispatcher has been silent.')
  })
})
