// @vitest-environment jsdom
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'

const POST = vi.fn((path: string, _options?: { body: { showing_ids: string[]; answer: string; address?: string } }) =>
  Promise.resolve(path.includes('confirm') ? { done: [], left: [] } : undefined),
)
vi.mock('@/api/client', () => ({ api: { POST }, ok: (call: Promise<unknown>) => call, sentence: String }))
const { default: BroughtBack } = await import('./BroughtBack.vue')

const row = (id: string, more = {}) => ({
  id,
  workspace_id: 'w1',
  post_id: `p-${id}`,
  state: 'planned' as 'planned' | 'by_hand',
  subject: `Post ${id}`,
  network: 'Ticker',
  initials: 'Ti',
  channel: 'Ticker',
  at: '2026-10-15T06:30:00Z',
  zone: 'Europe/Lisbon',
  network_said: 'not_there' as 'not_there' | 'cannot_ask' | null,
  asking: false,
  late: false,
  ...more,
})
const returned = {
  why: 'The database was restored from a backup.',
  known_until: '2026-10-14T08:00:00Z',
  noticed_at: '2026-10-14T09:00:00Z',
  looked_at: null as string | null,
  looked_by: null,
  asking: 2,
}
const page = (rows: ReturnType<typeof row>[], { owner = true, looked = false, may = true } = {}) =>
  mount(BroughtBack, {
    props: {
      log: {
        now: '2026-10-14T09:20:00Z',
        returned: { ...returned, looked_at: looked ? '2026-10-14T09:10:00Z' : null },
        unconfirmed: { count: rows.length, rows },
      },
      clients: {
        w1: {
          name: 'Quillmere Ferries',
          zone: 'Europe/Lisbon',
          can: { settle: { ok: may, why: may ? null : 'Your role here cannot.' } },
        },
      } as never,
      owner,
    },
    global: {
      plugins: [[VueQueryPlugin, { queryClient: new QueryClient() }]],
      stubs: {
        RouterLink: { template: '<a><slot /></a>' },
        DialogBox: { props: ['title'], template: '<div role="dialog"><slot /></div>' },
      },
    },
  })
const button = (view: ReturnType<typeof page>, name: string) =>
  view.findAll('button').find((one) => one.text() === name || one.attributes('aria-label') === name)!
const confirmed = () => POST.mock.calls.filter(([path]) => path.includes('confirm')).map(([, options]) => options!.body)

describe('a database that was brought back', () => {
  beforeEach(() => void POST.mockClear())

  it('is gone on with by an owner', async () => {
    const view = page([])
    expect(view.text()).toContain('2 still to be asked')
    await button(view, 'I have looked: go on sending').trigger('click')
    await flushPromises()
    expect(POST.mock.calls[0]![0]).toBe('/api/agency/go-on')
    expect(button(page([], { owner: false }), 'I have looked: go on sending').attributes('disabled')).toBeDefined()
    expect(page([row('a')], { looked: true }).text()).not.toContain('Nothing is sent until')
  })

  it('is answered one by one: may go, is cancelled, or is out at an address', async () => {
    const view = page([row('a'), row('b', { network_said: 'cannot_ask' })])
    expect(view.text()).toContain('its network cannot be asked: look there')
    await button(view, 'Send Post a').trigger('click')
    await flushPromises()
    await button(view, 'Cancel the release of Post a').trigger('click')
    await flushPromises()
    await button(view, 'Post b is out').trigger('click')
    await view.find('input').setValue('https://ticker.example/1')
    await view.find('form').trigger('submit')
    await flushPromises()
    expect(confirmed()).toEqual([
      { showing_ids: ['a'], answer: 'send', address: undefined },
      { showing_ids: ['a'], answer: 'take_back', address: undefined },
      { showing_ids: ['b'], answer: 'out', address: 'https://ticker.example/1' },
    ])
  })

  it('all at once says first which could go out twice, and sends nothing that is too late', async () => {
    const view = page([
      row('a'),
      row('b', { network_said: 'cannot_ask' }),
      row('c', { late: true }),
      row('d', { state: 'by_hand' }),
    ])
    await button(view, 'Send all 2 …').trigger('click')
    expect(confirmed()).toEqual([])
    expect(view.find('[role=dialog]').text()).toContain(
      'One post could not be asked for. What is out already goes out twice',
    )
    await button(view, 'Send only what is sure (1)').trigger('click')
    await flushPromises()
    expect(confirmed()).toEqual([{ showing_ids: ['a'], answer: 'send', address: undefined }])
  })

  it('is for whoever may release there', () => {
    expect(button(page([row('a')], { may: false }), 'Send Post a').attributes('disabled')).toBeDefined()
  })
})
