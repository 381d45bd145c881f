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
const { default: AdaptationParts } = await import('./AdaptationParts.vue')

const parts = (one: ReturnType<typeof adaptation>) =>
  mount(AdaptationParts, {
    props: { sheet: sheet([one]), one },
    shallow: true,
    attachTo: document.body,
    global: { stubs: BUTTONS },
  })
const button = (view: ReturnType<typeof parts>, words: string) =>
  view.findAll('button').find((one) => one.text() === words)
const folded = (view: ReturnType<typeof parts>) => view.findComponent({ name: 'FoldedLine' })

describe('the parts of a post on one channel', () => {
  it('fold into one line as long as they follow the master; what is its own stands', () => {
    const view = parts(adaptation({}, { text: part('Own words', { own: true }) }))
    expect(view.findAll('dt').map((one) => one.text())).toContain('Own text')
    const labels = (folded(view).props('parts') as { label: string }[]).map((one) => one.label)
    expect(labels).toEqual(expect.arrayContaining(['Media', 'Time', 'Link']))
    expect(labels).not.toContain('Text')
    expect(folded(view).props('says')).toBe(`follows the master in ${labels.length} parts`)
  })

  it('a part is taken up out of that line, and its editor opens', async () => {
    const view = parts(adaptation())
    folded(view).vm.$emit('choose', 'link')
    await view.vm.$nextTick()
    expect(view.findComponent({ name: 'PartRow' }).props()).toMatchObject({ open: true, row: { part: 'link' } })
    folded(view).vm.$emit('choose', 'text')
    await view.vm.$nextTick()
    expect(view.findComponent({ name: 'TextPart' }).props('label')).toBe('Own text for Ticker')
    await button(view, 'cancel')!.trigger('click')
    expect(view.findComponent({ name: 'TextPart' }).exists()).toBe(false)
  })

  it('an own one is set back with one act, all of them with another', async () => {
    const view = parts(adaptation({}, { text: part('Own words', { own: true }) }))
    await view.find('button[aria-label="follow master"]').trigger('click')
    expect(follow).toHaveBeenCalledWith('text')
    expect(view.text()).not.toContain('parts of its own')
    const two = parts(adaptation({}, { text: part('Own words', { own: true }), media: part(['m'], { own: true }) }))
    expect(two.text()).toContain('2 parts of its own')
    await button(two, 'all follow the master')!.trigger('click')
    expect(followAll).toHaveBeenCalled()
  })

  it('show what the server says of each, and decide nothing by themselves', () => {
    const locked = 'Ticker is locked: unlock it to change it.'
    const view = parts(
      adaptation(
        { stage: 'client_approval' },
        { text: part('Own words', { own: true, off: locked }), media: part([], { off: null }) },
      ),
    )
    expect(button(view, 'write')!.attributes('aria-disabled')).toBe('true')
    expect(view.findAllComponents({ name: 'ActButton' }).map((one) => one.props('off'))).toContain(locked)
    const off = folded(view).props('off') as (part: string) => string | undefined
    expect([off('text'), off('media')]).toEqual([locked, undefined])
  })

  it('an own part is set back by the key F in its line, and not while somebody types', async () => {
    follow.mockClear()
    const view = parts(adaptation({}, { text: part('Own words', { own: true }) }))
    await button(view, 'compare')!.trigger('keydown', { key: 'f' })
    expect(follow).toHaveBeenCalledTimes(1)
    await button(view, 'compare')!.trigger('keydown', { key: 'f', ctrlKey: true })
    await view.find('dl').trigger('keydown', { key: 'f' })
    expect(follow).toHaveBeenCalledTimes(1)
  })
})
