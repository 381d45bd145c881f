// @vitest-environment jsdom
import { enableAutoUnmount, mount } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import ActButton from './ActButton.vue'

enableAutoUnmount(afterEach)
const button = (props: Record<string, unknown>) =>
  mount(ActButton, { props, slots: { default: 'Release' }, attachTo: document.body })
const press = (key: string) =>
  (document.activeElement ?? document.body).dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
const blur = () => (document.activeElement as HTMLElement).blur()

describe('a button for something that somebody can do', () => {
  it('does it, and is called what it says', async () => {
    const view = button({ may: { ok: true } })
    await view.find('button').trigger('click')
    expect(view.emitted('click')).toHaveLength(1)
    expect(view.find('button').attributes('aria-disabled')).toBe('false')
  })

  it.each([[{ may: { ok: false, why: 'Your role here cannot release.' } }], [{ off: 'It waits for a picture.' }]])(
    'off, it keeps its focus, says why and does nothing',
    async (props) => {
      const view = button(props)
      view.find('button').element.focus()
      expect(document.activeElement).toBe(view.find('button').element)
      await view.find('button').trigger('click')
      expect(view.emitted('click')).toBeUndefined()
      await new Promise((done) => setTimeout(done, 150))
      expect(document.body.textContent).toContain(
        Object.values(props).map((one) => (typeof one === 'string' ? one : one.why))[0],
      )
    },
  )

  it('is only aimed at by its key; the second press does it', () => {
    const view = button({ shortcut: 'L' })
    blur()
    for (const key of 'please') press(key)
    expect(view.emitted('click')).toBeUndefined()
    expect(document.activeElement).toBe(view.find('button').element)
    press('l')
    expect(view.emitted('click')).toHaveLength(1)
  })

  it('opens its dialog at once where that is all that it does', () => {
    const view = button({ shortcut: 'S', opens: true })
    blur()
    press('s')
    expect(view.emitted('click')).toHaveLength(1)
    const off = button({ shortcut: 'W', opens: true, off: 'Not now.' })
    press('w')
    press('w')
    expect(off.emitted('click')).toBeUndefined()
  })
})
