// @vitest-environment jsdom
import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'

vi.mock('@/agency/me', () => ({ useMe: () => ({ data: ref({ now: '2026-10-14T09:20:00Z' }) }) }))
vi.mock('./days', () => ({ useDays: () => ({ data: ref({ days: DAYS, week_starts: 1 }) }) }))
const DAYS = ['2026-10-15', '2026-10-16'].map((date) => ({
  date,
  off: date === '2026-10-16' ? 'Harbour day' : null,
  works: true,
  posts: [{ id: 'other', subject: 'Pier café', stage: 'drafting', wall: `${date}T12:00`, channels: [] }],
}))
// the browser of the tests has no layout
Element.prototype.scrollIntoView = () => undefined
const { default: PlannedTime } = await import('./PlannedTime.vue')

function field(wall = '2026-10-15T07:30') {
  const view = mount(PlannedTime, {
    props: { id: 'time', workspace: 'w', post: 'p', wall, zone: 'Europe/Lisbon', label: 'Planned time' },
    attachTo: document.body,
    global: { stubs: { DayGrid: true, ChannelLogos: true } },
  })
  const input = view.find('input')
  return { view, input, press: (key: string, more = {}) => input.trigger('keydown', { key, ...more }) }
}

describe('a planned time', () => {
  it('is typed as one says it, and planned with Enter or by leaving the field, not before', async () => {
    const { view, input, press } = field()
    await input.trigger('focusin')
    await input.setValue('fri 18:00')
    expect(view.find('[role=status]').text()).toBe('Fri 16 Oct 2026, 18:00 Lisbon')
    expect(view.emitted('choose')).toBeUndefined()
    await press('Enter')
    expect(view.emitted('choose')).toEqual([['2026-10-16T18:00']])
    await input.setValue('sat 8')
    await view.find('.planned').trigger('focusout')
    expect(view.emitted('choose')![1]).toEqual(['2026-10-17T08:00'])
  })

  it('keeps words that are no time, says so, and plans nothing by them', async () => {
    const { view, input, press } = field()
    await input.setValue('soon')
    await press('Enter')
    expect(view.find('[role=status]').text()).toContain('“soon” is no time that can be read')
    expect((input.element as HTMLInputElement).value).toBe('soon')
    expect(view.emitted('choose')).toBeUndefined()
    await press('Escape')
    expect((input.element as HTMLInputElement).value).toBe('Thu 15 Oct 2026, 7:30')
  })

  it('is moved by keys: a day, a quarter of an hour, a month', async () => {
    const { view, input, press } = field()
    await press('ArrowDown')
    await press('ArrowUp', { shiftKey: true })
    await press('PageDown')
    expect((input.element as HTMLInputElement).value).toBe('Mon 16 Nov 2026, 7:45')
    await press('Enter')
    expect(view.emitted('choose')).toEqual([['2026-11-16T07:45']])
  })

  it('shows what else goes out on that day, itself among it, and why a day is off', async () => {
    const { view, input } = field()
    await input.trigger('focusin')
    expect(view.findAll('li').map((one) => one.text())).toEqual(['7:30this one', '12:00Pier café'])
    view.findComponent({ name: 'DayGrid' }).vm.$emit('choose', '2026-10-16')
    await view.vm.$nextTick()
    expect(view.emitted('choose')).toEqual([['2026-10-16T07:30']])
  })

  it('is nothing when the field is emptied', async () => {
    const { view, input, press } = field()
    await input.setValue('')
    await press('Enter')
    expect(view.emitted('choose')).toEqual([['']])
  })
})
