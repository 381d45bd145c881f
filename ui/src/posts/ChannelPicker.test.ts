// @vitest-environment jsdom
import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { adaptation, sheet } from '@/samples/sheet'
import { BUTTONS } from '@/samples/stubs'

const choose = vi.fn<(ids: string[]) => Promise<void>>(() => Promise.resolve())
vi.mock('./sheet', () => ({ useAct: () => ({ mutateAsync: choose }) }))
const { default: ChannelPicker } = await import('./ChannelPicker.vue')

const why = 'Ticker is being sent or is out, and cannot be removed. Look at it in Dispatch.'
const open = async () => {
  const flying = adaptation({ stays: why })
  const there = sheet([flying])
  const other = { ...flying.channel, id: 'c2', name: 'Second' }
  const view = mount(ChannelPicker, {
    props: {
      sheet: {
        ...there,
        channels: [flying.channel, other],
        sets: [{ id: 's1', name: 'Both', channel_ids: [flying.channel.id, 'c2'] }],
      },
    },
    shallow: true,
    global: { stubs: BUTTONS },
  })
  await view.find('button.link-button').trigger('click')
  return { view, flying: flying.channel.id }
}

describe('choosing channels', () => {
  it('keeps a channel that is being sent, says why in sight, and lets the others be chosen', async () => {
    const { view, flying } = await open()
    const [first, second] = view.findAllComponents({ name: 'ACheckbox' })
    expect(first!.props('disabled')).toBe(true)
    expect(view.text()).toContain(why)
    second!.vm.$emit('change')
    await flushPromises()
    expect(choose).toHaveBeenLastCalledWith([flying, 'c2'])
  })

  it('a set that is taken off leaves what cannot be taken off', async () => {
    const { view, flying } = await open()
    const set = view.find('button.set')
    await set.trigger('click')
    await set.trigger('click')
    expect(choose).toHaveBeenLastCalledWith([flying])
  })
})
