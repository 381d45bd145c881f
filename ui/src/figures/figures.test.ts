// @vitest-environment jsdom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ClockGrid from './ClockGrid.vue'
import { hours, shade, share, span } from './figures'

describe('figures', () => {
  it('are of the last days until today, today counted', () => {
    expect(span('2026-10-14T09:20:00Z', 30)).toEqual({ from: '2026-09-15', to: '2026-10-14' })
    expect(span('2026-03-01T00:00:00Z', 1)).toEqual({ from: '2026-03-01', to: '2026-03-01' })
  })

  it('say hours no finer than matters, and nothing where there is none', () => {
    expect([0.2, 1.2, 3.3, 9.9, 24.4].map(hours)).toEqual(['12 min', '1 h', '3.5 h', '10 h', '24 h'])
    expect(hours(null)).toBe('–')
  })

  it('say of how many a share is', () => {
    expect(share({ n: 4, of: 5 })).toBe('80 % of 5')
    expect(share({ n: 0, of: 0 })).toBe('–')
  })

  it('shade a field by its share of the fullest, and an empty one not at all', () => {
    expect([0, 1, 5, 10].map((count) => shade(count, 10))).toEqual([0, 1, 3, 5])
    expect(shade(0, 0)).toBe(0)
  })
})

describe('the clock of answers', () => {
  it('leaves out hours of the night in which nobody ever answered, and has each number in its field', () => {
    const clock = Array.from({ length: 7 }, () => Array.from({ length: 24 }, () => 0))
    clock[1]![9] = 3
    clock[6]![22] = 1
    const grid = mount(ClockGrid, { props: { clock } })
    const hours = grid.findAll('thead th').map((one) => one.text())
    expect([hours[0], hours.at(-1)]).toEqual(['8', '22'])
    const tuesday = grid.findAll('tbody tr')[1]!
    expect(tuesday.findAll('td').map((one) => one.text())).toContain('3')
    expect(tuesday.findAll('td')[1]!.classes()).toContain('shade-5')
  })
})
