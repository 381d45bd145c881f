// @vitest-environment jsdom
import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { computed } from 'vue'
import { adaptation, part, sheet } from '@/samples/sheet'
import { BUTTONS } from '@/samples/stubs'

const follow = vi.fn()
const followAll = vi.fn()
vi.mock('./checks', () => ({
  useChecks: () => ({ of: (one: { proof: unknown }) => one.proof, count: { value: undefined }, ask: () => undefined }),
}))
vi.mock('./follow', () => ({
  useFollow: () => ({ follow, followAll, cost: computed(() => undefined), sure: vi.fn(), leave: vi.fn() }),
}))
const { default: AdaptationColumn } = await import('./AdaptationColumn.vue')

const column = (one: ReturnType<typeof adaptation>) =>
  mount(AdaptationColumn, {
    props: { sheet: sheet([one]), one },
    shallow: true,
    attachTo: document.body,
    global: { stubs: { ...BUTTONS, RouterLink: { template: '<a><slot /></a>' } } },
  })
const button = (view: ReturnType<typeof column>, words: string) =>
  view.findAll('button').find((one) => one.text() === words)

describe('a post on one channel', () => {
  it('says how much of the limit is used, and by how much it is over', () => {
    expect(column(adaptation()).find('.count').text()).toBe('17 of 300')
    const over = column(adaptation({ proof: { ...adaptation().proof, count: 310, within: 300 } }))
    expect(over.find('.count').classes()).toContain('late')
    expect(over.findComponent({ name: 'ProofCard' }).props('over')).toBe(10)
    expect(over.find('.bar span').attributes('style')).toContain('100%')
  })

  it('says for each part whether it follows the master; an own one is set back with one act', async () => {
    const view = column(adaptation({}, { text: part('Own words', { own: true }) }))
    expect(view.classes()).toContain('own')
    await view.find('button[aria-label="follow master"]').trigger('click')
    expect(follow).toHaveBeenCalledWith('text')
    expect(view.text()).not.toContain('parts of its own')
    const two = column(adaptation({}, { text: part('Own words', { own: true }), media: part(['m'], { own: true }) }))
    expect(two.text()).toContain('2 parts of its own')
    await button(two, 'all follow the master')!.trigger('click')
    expect(followAll).toHaveBeenCalled()
  })

  it('shows what the server says of each part, and decides nothing by itself', () => {
    const view = column(
      adaptation(
        { stage: 'client_approval' },
        {
          text: part('Own words', { own: true, off: 'Ticker is locked: unlock it to change it.' }),
          media: part([], { off: null }),
        },
      ),
    )
    expect(button(view, 'write')!.attributes('aria-disabled')).toBe('true')
    expect(view.findAllComponents({ name: 'ActButton' }).map((one) => one.props('off'))).toContain(
      'Ticker is locked: unlock it to change it.',
    )
    expect(button(view, 'order and frame')!.attributes('aria-disabled')).toBe('false')
  })

  it('sets an own part back by the key F in its line, and not while somebody types', async () => {
    follow.mockClear()
    const view = column(adaptation({}, { text: part('Own words', { own: true }) }))
    await button(view, 'compare')!.trigger('keydown', { key: 'f' })
    expect(follow).toHaveBeenCalledTimes(1)
    await button(view, 'compare')!.trigger('keydown', { key: 'f', ctrlKey: true })
    await view.find('h2').trigger('keydown', { key: 'f' })
    expect(follow).toHaveBeenCalledTimes(1)
  })

  it('shows who wants what, what is wrong there, and where it is out', () => {
    const view = column(
      adaptation({
        blocks: [{ person: 'Odile Marchetti', verdict: 'no', words: 'Not this pier' }],
        channel: { ...adaptation().channel, level: 'lapsed', state: 'lapsed', sentence: 'The connection has lapsed.' },
        showing: { id: 's1', state: 'out', address: 'https://ticker.example/1', trouble: '', seen: 'same' },
        stage: 'out',
      }),
    )
    expect(view.find('.wanted').text()).toBe('Odile Marchetti says no, not at allNot this pier')
    expect(view.find('.connection').text()).toContain('The connection has lapsed.')
    expect(view.find('.after a').attributes('href')).toBe('https://ticker.example/1')
    expect(view.find('.after').text()).toContain('seen there as approved')
  })

  it('says that nothing of it can be changed while it is being sent', () => {
    expect(
      column(adaptation({ off: 'Too late: Ticker is being sent, exactly as it stands.' }))
        .find('.connection')
        .text(),
    ).toContain('being sent')
  })

  it('says that it is time to publish by hand, and leads there', () => {
    expect(
      column(adaptation({ showing: { id: 's1', state: 'by_hand', address: '', trouble: '' } }))
        .find('.by-hand')
        .text(),
    ).toContain('It is time to publish it by hand.')
  })
})
