// @vitest-environment jsdom
import { enableAutoUnmount, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { opening, useKeys } from './keys'

enableAutoUnmount(afterEach)
const done: string[] = []
const Page = defineComponent({
  setup() {
    useKeys({ E: opening(() => done.push('box') > 0), P: opening(() => false), N: () => done.push('new') })
    return () => h('i')
  },
})
const press = (key: string, at: Element = document.body) =>
  at.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))

describe('a key that opens a box', () => {
  beforeEach(() => {
    done.length = 0
    document.body.innerHTML = ''
    vi.useFakeTimers()
  })
  afterEach(() => {
    vi.useRealTimers()
  })

  it('takes what is typed next for no key of the page until the box has the focus', () => {
    mount(Page)
    press('e')
    expect(press('n')).toBe(false)
    expect(done).toEqual(['box'])
    document.body.innerHTML = '<div role="dialog"><input></div>'
    const field = document.querySelector('input')!
    field.focus()
    expect(press('n', field)).toBe(true)
    expect(done).toEqual(['box'])
  })

  it('leaves the keys to the page where it opened nothing', () => {
    mount(Page)
    press('p')
    press('n')
    expect(done).toEqual(['new'])
  })

  it('gives the keys back where no box came', () => {
    mount(Page)
    press('e')
    vi.advanceTimersByTime(2_000)
    press('n')
    expect(done).toEqual(['box', 'new'])
  })
})
