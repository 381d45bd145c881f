// @vitest-environment jsdom
import { mount } from '@vue/test-utils'
import { afterEach, describe, expect, it } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import { useEscape } from './escape'

const press = () => {
  const event = new KeyboardEvent('keydown', { key: 'Escape', bubbles: true, cancelable: true })
  document.body.dispatchEvent(event)
}
function box(name: string, closed: string[]) {
  const open = ref(true)
  return mount(
    defineComponent({
      setup() {
        useEscape(open, () => {
          closed.push(name)
          open.value = false
        })
        return () => h('i')
      },
    }),
  )
}
/** Laid out nowhere, so it says itself that it is in sight. */
function list() {
  const found = document.createElement('div')
  found.className = 'ant-select-dropdown'
  found.getClientRects = () => [1] as unknown as DOMRectList
  document.body.append(found)
  return found
}

describe('Esc', () => {
  const closed: string[] = []
  afterEach(() => {
    closed.length = 0
    document.body.innerHTML = ''
  })

  it('closes what was opened last, one thing at a time', () => {
    const [first, second] = [box('sheet', closed), box('dialog', closed)]
    press()
    expect(closed).toEqual(['dialog'])
    press()
    expect(closed).toEqual(['dialog', 'sheet'])
    press()
    expect(closed).toHaveLength(2)
    first.unmount()
    second.unmount()
  })

  it('leaves the dialog when a list in it was open, even if the list is gone by then', () => {
    const one = box('dialog', closed)
    const open = list()
    document.body.addEventListener('keydown', () => open.remove(), { once: true })
    press()
    expect(closed).toEqual([])
    press()
    expect(closed).toEqual(['dialog'])
    one.unmount()
  })

  it('closes nothing that is gone', () => {
    box('dialog', closed).unmount()
    press()
    expect(closed).toEqual([])
  })
})
