// @vitest-environment jsdom
import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { adaptation, sheet } from '@/samples/sheet'

vi.mock('./checks', () => ({ useChecks: () => ({ of: (one: { proof: unknown }) => one.proof }) }))
const { default: ColumnHead } = await import('./ColumnHead.vue')

const head = (one: ReturnType<typeof adaptation>, more: Record<string, unknown> = {}) =>
  mount(ColumnHead, { props: { sheet: { ...sheet([one]), ...more }, one }, shallow: true })
const proof = adaptation().proof
const strip = [{ step_id: 's', name: 'Read', side: 'internal', required: true, state: 'asked', who: [], since: null }]

describe('the head of a channel’s column', () => {
  it('says how much of the limit is used, and when it is over', () => {
    expect(head(adaptation()).find('.count').text()).toBe('17 of 300')
    const over = head(adaptation({ proof: { ...proof, count: 310, within: 300 } }))
    expect(over.find('.count').classes()).toContain('late')
    expect(over.find('.bar span').attributes('style')).toContain('100%')
  })

  it('counts its findings and leads to their list, where each is said once', async () => {
    const found = [
      { code: 'no_description', level: 'warning', sentence: 'Picture 1 has no description.', mend: null },
      { code: 'too_long', level: 'fault', sentence: 'It is 10 over.', mend: null },
    ]
    const view = head(adaptation({ proof: { ...proof, checks: found } }))
    expect(view.find('.found').text()).toBe('2')
    expect(view.find('.found').attributes('aria-label')).toBe('2 to look at on Ticker')
    expect(view.find('.found').classes()).toContain('fault')
    expect(view.text()).not.toContain('no description')
    await view.find('.found').trigger('click')
    expect(view.emitted('findings')).toHaveLength(1)
    expect(head(adaptation()).find('.found').exists()).toBe(false)
  })

  it('says how far it is only where that is not what the whole post is', () => {
    const asked = adaptation({ stage: 'client_approval', strip })
    expect(head(asked, { stage: 'client_approval', strip }).find('.stands').exists()).toBe(false)
    expect(head(asked, { stage: 'drafting', strip }).find('.stands').text()).toContain('client approval')
    const opened = adaptation({ stage: 'drafting', strip, opened: true })
    expect(head(opened, { stage: 'drafting', strip }).find('.stands').text()).toContain('unlocked')
  })
})
