// @vitest-environment jsdom
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { BUTTONS } from '@/samples/stubs'

const post = (id: string, subject: string) => ({
  id,
  workspace_id: 'w1',
  subject,
  at: '2026-10-16T16:00:00Z',
  channels: [],
  strip: [],
})
const desk = (posts: ReturnType<typeof post>[]) => ({
  now: '2026-10-14T09:20:00Z',
  asked: [],
  tasks: [],
  to_ask: [] as ReturnType<typeof post>[],
  came_back: [],
  for_nobody: [],
  opened: [],
  by_hand: [],
  waits_for_others: [],
  can_release: posts,
  counts: {
    asked: 0,
    tasks: 0,
    to_ask: 0,
    came_back: 0,
    for_nobody: 0,
    opened: 0,
    by_hand: 0,
    waits_for_others: 0,
    late_with_others: 0,
    can_release: posts.length,
    trouble: 0,
  },
  next_out: [],
  trouble: [],
  connections: [],
  set_ups: [],
})
const shown = ref(desk([]))
const wholly = vi.fn()
const POST = vi.fn((_path: string, options: { body: { post_ids: string[] } }) =>
  Promise.resolve({ released: options.body.post_ids, left: [] }),
)
vi.mock('@/api/client', () => ({
  api: { POST },
  ok: (call: Promise<unknown>) => call,
  sentence: String,
  unread: String,
}))
vi.mock('./desk', () => ({
  useDesk: () => ({ data: shown, error: ref(), isPending: ref(false), waiting: ref(0), open: wholly }),
}))
vi.mock('@/dispatch/alarm', () => ({ useAlarm: () => ({ data: ref(null) }) }))
vi.mock('./me', () => ({
  useChosen: () => ({
    id: ref(),
    workspaces: ref([
      { id: 'w1', name: 'Quillmere Ferries', zone: 'Europe/Lisbon', can: { release: { ok: true }, ask: { ok: true } } },
    ]),
  }),
}))
vi.mock('@/parts/later', () => ({
  later: () => ({ props: ['posts'], template: '<i class="asks">{{ [...posts.keys()].join() }}</i>' }),
}))
vi.mock('vue-router', () => ({ useRouter: () => ({ push: vi.fn() }) }))
const { default: DeskPage } = await import('./DeskPage.vue')

const options = {
  shallow: true,
  global: {
    plugins: [[VueQueryPlugin, { queryClient: new QueryClient() }]] as never,
    stubs: {
      ...BUTTONS,
      DeskRows: false,
      DeskAskRows: false,
      RouterLink: { template: '<a><slot /></a>' },
      NewPost: true,
      DeskViews: true,
      DeskAlarms: true,
      DeskOthers: true,
      SignoffStrip: true,
      KeysHelp: true,
    },
  },
}
const page = () => mount(DeskPage, options)
const released = () => POST.mock.calls.map(([, options]) => options.body.post_ids)

describe('what can be asked next', () => {
  const asking = { ...desk([]), to_ask: [post('p7', 'Half-term'), post('p8', 'Lamp walk')] }
  const asks = async (press: (view: ReturnType<typeof page>) => unknown) => {
    shown.value = { ...asking, counts: { ...asking.counts, to_ask: 2 } }
    const view = mount(DeskPage, { ...options, shallow: false, attachTo: document.body })
    await press(view)
    await flushPromises()
    const found = view.find('.asks').text()
    view.unmount()
    return found
  }

  it('is asked for one by one, or all of it', async () => {
    const button = (view: ReturnType<typeof page>, name: string) =>
      view.findAll('button').find((one) => one.text().startsWith(name) || one.attributes('aria-label') === name)!
    expect(await asks((view) => button(view, 'Ask for these 2').trigger('click'))).toBe('p7,p8')
    expect(await asks((view) => button(view, 'Ask …: Lamp walk').trigger('click'))).toBe('p8')
  })

  it('by A for the row that has the focus, else for all', async () => {
    const key = () => document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'A', bubbles: true }))
    expect(await asks(key)).toBe('p7,p8')
  })
})

describe('what can be released', () => {
  beforeEach(() => void POST.mockClear())

  it('is released one by one, or all of it', async () => {
    shown.value = desk([post('p1', 'Fog days'), post('p2', 'Season pass')])
    const view = page()
    await view.find('button[aria-label="Release Season pass"]').trigger('click')
    await flushPromises()
    expect(released()).toEqual([['p2']])
    await view
      .findAll('button')
      .find((one) => one.text() === 'Release all 2 L')!
      .trigger('click')
    await flushPromises()
    expect(released()).toEqual([['p2'], ['p1', 'p2']])
  })

  it('has one button where there is one post', () => {
    shown.value = desk([post('p1', 'Fog days')])
    expect(
      page()
        .findAll('button')
        .map((one) => one.text()),
    ).toEqual(['Release L'])
  })

  it('says how many there are, not how many are shown, and opens the list whole', async () => {
    shown.value = { ...desk([post('p1', 'Fog days')]), counts: { ...desk([]).counts, can_release: 3283 } }
    const view = page()
    expect(view.text()).toContain('3283 can be released')
    expect(view.find('#release .number').text()).toBe('3283')
    await view
      .findAll('button')
      .find((one) => one.text() === '1 of 3283 are shown: show all')!
      .trigger('click')
    expect(wholly).toHaveBeenCalledWith('can_release')
  })
})
