// @vitest-environment jsdom
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'

const said = vi.hoisted(() => ({ open: vi.fn(), destroy: vi.fn(), success: vi.fn(), info: vi.fn() }))
vi.mock('ant-design-vue', () => ({ message: said }))
const { offerUndo, rememberUndo, undoLast, useUndoKey } = await import('./undo')

beforeEach(() => {
  vi.useRealTimers()
  for (const one of Object.values(said)) one.mockClear()
})
const Page = defineComponent({
  setup() {
    useUndoKey()
    return () => h('main', [h('button', 'Here'), h('input')])
  },
})
const press = (at: Element) =>
  at.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true, cancelable: true }))

it('is the latest first, says what it undid, and each once', async () => {
  const undone: string[] = []
  offerUndo('The idea is thrown away.', async () => void undone.push('idea'))
  rememberUndo('1 mark is put.', async () => void undone.push('mark'))
  await undoLast()
  expect(said.success).toHaveBeenLastCalledWith('Undone: 1 mark is put.', 6)
  await undoLast()
  expect(said.success).toHaveBeenLastCalledWith('Undone: The idea is thrown away.', 6)
  await undoLast()
  expect([undone, said.info.mock.calls.length]).toEqual([['mark', 'idea'], 1])
})

it('says in its own words what was not undone, and nothing where that was said', async () => {
  offerUndo('It is moved.', async () => 'It is back at its time, but not released: no yes for it.')
  await undoLast()
  expect(said.success).toHaveBeenLastCalledWith('It is back at its time, but not released: no yes for it.', 6)
  said.success.mockClear()
  offerUndo('It is moved.', async () => false)
  await undoLast()
  expect(said.success).not.toHaveBeenCalled()
})

it('reaches back ten minutes', async () => {
  vi.useFakeTimers()
  const undo = vi.fn(async () => true)
  offerUndo('It is moved.', undo)
  vi.advanceTimersByTime(10 * 60_000 + 1)
  await undoLast()
  expect(undo).not.toHaveBeenCalled()
})

it('is Ctrl+Z, but in a field and behind a dialog', async () => {
  const page = mount(Page, { attachTo: document.body })
  const undo = vi.fn(async () => true)
  offerUndo('It is moved.', undo)
  press(page.get('input').element)
  const dialog = document.body.appendChild(document.createElement('div'))
  dialog.setAttribute('role', 'dialog')
  dialog.getClientRects = () => [{}] as unknown as DOMRectList
  press(page.get('button').element)
  await flushPromises()
  expect(undo).not.toHaveBeenCalled()
  dialog.remove()
  press(page.get('button').element)
  await flushPromises()
  expect(undo).toHaveBeenCalledOnce()
  page.unmount()
})
