// @vitest-environment jsdom
import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { defineComponent, h, type Component } from 'vue'
import { connected, later } from './later'

describe('a part that is fetched when it is wanted', () => {
  it('comes when the connection is back, without anybody asking again', async () => {
    let online = () => undefined as void
    const load = vi
      .fn<() => Promise<Component>>()
      .mockRejectedValueOnce(new TypeError('no connection'))
      .mockResolvedValue(defineComponent({ render: () => 'the dialog' }))
    const Part = later(load, () => new Promise((done) => (online = done)))
    const view = mount({ render: () => h('div', h(Part)) })
    await flushPromises()
    expect(view.text()).toBe('')
    online()
    await flushPromises()
    expect(view.text()).toBe('the dialog')
    expect(load).toHaveBeenCalledTimes(2)
  })

  it('waits for the line, or a while', async () => {
    vi.useFakeTimers()
    const back = vi.fn()
    void connected().then(back)
    window.dispatchEvent(new Event('online'))
    await flushPromises()
    expect(back).toHaveBeenCalledTimes(1)
    void connected().then(back)
    await vi.advanceTimersByTimeAsync(4_000)
    expect(back).toHaveBeenCalledTimes(2)
    vi.useRealTimers()
  })
})
