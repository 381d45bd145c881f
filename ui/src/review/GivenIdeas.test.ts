// @vitest-environment jsdom
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Given } from './api'
import { GIVEN } from './given-texts'
import GivenIdeas from './GivenIdeas.vue'

const given = (open: boolean, ...titles: string[]): Given => ({
  open,
  ideas: titles.map((title) => ({ id: title, title, given_at: '2026-10-14T09:00:00Z', state: 'post', words: '' })),
})

describe('ideas that a client gives', () => {
  beforeEach(() => localStorage.clear())

  it('are not spoken of where they are not wanted and none were given', async () => {
    const page = mount(GivenIdeas, {
      props: { language: 'en', read: () => Promise.resolve(given(false)), give: vi.fn() },
    })
    await flushPromises()
    expect(page.text()).toBe('')
  })

  it('are given in a few words, and stand there then with what became of them', async () => {
    const read = vi.fn().mockResolvedValueOnce(given(true)).mockResolvedValue(given(true, 'Crew day'))
    const give = vi.fn().mockResolvedValue({})
    const page = mount(GivenIdeas, { props: { language: 'de', read, give } })
    await flushPromises()
    await page.get('button').trigger('click')
    await page.get('input').setValue('Crew day')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(give).toHaveBeenCalledWith({ title: 'Crew day', note: '' })
    expect(page.text()).toContain(GIVEN.de.thanks)
    expect(page.text()).toContain(GIVEN.de.states.post)
  })

  it('stay typed when they are refused, and when the page is opened again', async () => {
    const props = {
      language: 'en' as const,
      read: () => Promise.resolve(given(true)),
      give: () => Promise.reject(new Error('20 ideas a day are the most.')),
    }
    const page = mount(GivenIdeas, { props })
    await flushPromises()
    await page.get('button').trigger('click')
    await page.get('input').setValue('Crew day')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(page.text()).toContain('20 ideas a day are the most.')
    page.unmount()
    const again = mount(GivenIdeas, { props })
    await flushPromises()
    await again.get('button').trigger('click')
    expect(again.get<HTMLInputElement>('input').element.value).toBe('Crew day')
  })
})
