// @vitest-environment jsdom
import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, expect, it, vi } from 'vitest'
import SidePanel from './SidePanel.vue'

function screen(wide: boolean) {
  vi.stubGlobal('matchMedia', () => ({ matches: wide, addEventListener: vi.fn(), removeEventListener: vi.fn() }))
}
const open = () =>
  mount(SidePanel, { props: { label: 'What they may do' }, slots: { default: '<p>Release</p>' }, attachTo: 'body' })

afterEach(() => (document.body.innerHTML = ''))

it('stands beside the list where there is room', async () => {
  screen(true)
  const panel = open()
  await flushPromises()
  expect(panel.get('aside').attributes('aria-label')).toBe('What they may do')
  expect(document.querySelector('[role=dialog]')).toBeNull()
})

it('lies over the list where there is none, takes the focus and gives it back to the row', async () => {
  screen(false)
  document.body.innerHTML = '<button id="row">Sunniva</button>'
  document.querySelector<HTMLElement>('#row')!.focus()
  const panel = open()
  await vi.waitFor(
    () => expect(document.querySelector('.ant-drawer-content')?.textContent).toContain('Release'),
    10_000,
  )
  await vi.waitFor(() => expect(document.activeElement?.textContent).toContain('Release'), 10_000)
  document.querySelector<HTMLElement>('.ant-drawer-close')!.click()
  expect(panel.emitted('close')).toHaveLength(1)
  panel.unmount()
  await flushPromises()
  expect(document.activeElement?.id).toBe('row')
}, 20_000)
