// @vitest-environment jsdom
import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { adaptation, sheet } from '@/samples/sheet'
import { BUTTONS } from '@/samples/stubs'

vi.mock('./checks', () => ({
  useChecks: () => ({ of: (one: { proof: unknown }) => one.proof, count: { value: undefined }, ask: () => undefined }),
}))
const { default: AdaptationColumn } = await import('./AdaptationColumn.vue')

const column = (one: ReturnType<typeof adaptation>) =>
  mount(AdaptationColumn, {
    props: { sheet: sheet([one]), one },
    shallow: true,
    attachTo: document.body,
    global: { stubs: { ...BUTTONS, RouterLink: { template: '<a><slot /></a>' } } },
  })

describe('a post on one channel', () => {
  it('says by how much its text is over the limit', () => {
    const over = column(adaptation({ proof: { ...adaptation().proof, count: 310, within: 300 } }))
    expect(over.findComponent({ name: 'ProofCard' }).props('over')).toBe(10)
  })

  it('gives its room away but for its head, and takes it back with nothing lost', async () => {
    const view = column(adaptation())
    await view.setProps({ narrow: true })
    expect(view.findComponent({ name: 'ProofCard' }).isVisible()).toBe(false)
    expect(view.findComponent({ name: 'ColumnHead' }).isVisible()).toBe(true)
    expect(view.findComponent({ name: 'AdaptationParts' }).exists()).toBe(true)
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
