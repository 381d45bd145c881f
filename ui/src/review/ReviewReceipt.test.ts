// @vitest-environment jsdom
import { enableAutoUnmount, flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

const line = (id: string, more = {}) => ({
  id,
  text: 'When fog sits on the water',
  wall: '2026-10-15T07:30',
  channels: ['Ticker'],
  by: null,
  words: '',
  at: '2026-10-14T09:31:00Z',
  disowned: false,
  ...more,
})
const sent: unknown[] = []
let out = 0
let lines = [line('one')]
vi.stubGlobal('fetch', async (path: string, init: { body: string }) => {
  if (path.endsWith('/disown')) sent.push(JSON.parse(init.body))
  const found = { client: 'Quillmere Ferries', me: 'Odile Marchetti', zone: 'Europe/Lisbon', lines }
  const body = path.endsWith('/disown') ? { stopped: 1, out } : found
  return { ok: true, status: 200, json: async () => body }
})
location.hash = '#receipt.secret'
const { default: ReviewReceipt } = await import('./ReviewReceipt.vue')
enableAutoUnmount(afterEach)

async function page() {
  const view = mount(ReviewReceipt)
  await flushPromises()
  return view
}
type View = Awaited<ReturnType<typeof page>>
async function press(view: View, words: string) {
  await view
    .findAll('button')
    .find((one) => one.text() === words)!
    .trigger('click')
  await flushPromises()
}

describe('the receipt of a yes', () => {
  beforeEach(() => {
    sent.length = 0
    out = 0
  })

  it('says of each entry who said it, when and how', async () => {
    lines = [line('one'), line('two', { by: 'Bram Teodoro', words: 'By phone' })]
    const said = (await page()).findAll('.entry').map((one) => one.text())
    expect(said).toEqual([
      'You said yes on Wednesday 14 October at 10:31.',
      'Bram Teodoro said yes in your name on Wednesday 14 October at 10:31: “By phone”',
    ])
  })

  it('takes one entry back with a second press, and leaves the others', async () => {
    lines = [line('one'), line('two', { by: 'Bram Teodoro', words: 'By phone' })]
    const view = await page()
    await press(view, 'I did not say this')
    expect(sent).toEqual([])
    await press(view, 'Take the yes back')
    expect(sent).toEqual([{ receipt: 'secret', line: 'two' }])
    const texts = view.findAll('section').map((one) => one.text())
    expect(texts[1]).toContain('Taken back, and the agency knows.')
    expect(texts[1]).not.toContain('links')
    expect(texts[0]).toContain('This was not me')
  })

  it('says what is out already, and that links were stopped, of a yes under their own hand', async () => {
    lines = [line('one')]
    out = 1
    const view = await page()
    await press(view, 'This was not me')
    await press(view, 'Take the yes back')
    expect(view.find('section').text()).toContain('Your links were stopped')
    expect(view.find('section').text()).toContain('Out already, or on its way: 1 post.')
  })

  it('says what was taken back before', async () => {
    lines = [line('one', { disowned: true })]
    const view = await page()
    expect(view.find('section').text()).toContain('Taken back already')
    expect(view.find('section').findAll('button')).toHaveLength(0)
  })
})
