// @vitest-environment jsdom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ProofCard from './ProofCard.vue'

const proof = (more: Record<string, unknown>) =>
  mount(ProofCard, { props: { text: 'Fog over the pier', pictures: [], ...more } as never })

describe('the proof', () => {
  it('shows the text in its own direction, and keeps it from turning anything else round', () => {
    expect(proof({}).find('.copy').attributes('dir')).toBe('auto')
    const beside = { first_comment: 'סגור היום', call_to_action: null, tagged: [{ id: '@עדה' }], event: null }
    const view = proof({ card: { title: 'עדה', words: 'מנורה', picture: null, host: 'quillmere.example' }, beside })
    expect(view.findAll('bdi').map((one) => one.text())).toEqual(['@עדה', 'סגור היום'])
    expect(view.findAll('.link-card [dir=auto]').map((one) => one.text())).toEqual(['עדה', 'מנורה'])
  })

  it('shows apart what is over the limit, and where the fold is; counted in code points', () => {
    const view = proof({ text: 'Fog 🌫️ over the pier', within: 6, over: 14, fold: 3 })
    expect(view.find('.copy > span').text()).toBe('Fog')
    expect(view.find('.over').text()).toContain('14 over the limit; this part cannot go out')
    expect(view.find('.over').text()).toContain('over the pier')
  })
})
