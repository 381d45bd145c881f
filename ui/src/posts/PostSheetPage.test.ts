// @vitest-environment jsdom
import { enableAutoUnmount, flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, ref } from 'vue'
import { adaptation, sheet } from '@/samples/sheet'
import { BUTTONS } from '@/samples/stubs'
import type { SaveState } from './part'
import { tellSaving } from './saving'
import type { Sheet } from './sheet'

enableAutoUnmount(afterEach)
let found = ref<Sheet>()
const failed = ref<unknown>()
const calls: string[] = []
vi.mock('@/agency/me', () => ({
  useChosen: () => ({
    workspaces: ref([{ id: 'quillmere', name: 'Quillmere Ferries' }]),
    me: ref({ id: 'ines', now: '2026-10-14T09:20:00Z' }),
  }),
}))
const query = ref<Record<string, string>>({})
vi.mock('vue-router', () => ({
  useRoute: () => ({ query: query.value, params: {} }),
  useRouter: () => ({ push: async () => undefined, replace: async () => undefined }),
}))
vi.mock('./here', () => ({ provideHere: () => ({ others: ref([{ name: 'Maro Stent' }]) }) }))
vi.mock('./checks', () => ({ provideChecks: () => undefined }))
vi.mock('@/api/client', () => ({
  ok: (call: Promise<unknown>) => call,
  isProblem: () => false,
  unread: (error: unknown) => (error as Error).message,
  sentence: (error: Error) => error.message,
  api: {
    POST: async (path: string, init: { body?: unknown }) =>
      void calls.push(`${path.split('/').pop()} ${JSON.stringify(init.body ?? null)}`),
  },
}))
vi.mock('./sheet', () => ({
  useSheet: () => ({ data: found, error: failed, isPending: ref(!found.value) }),
  useAct: (_post: string, run: (input: unknown) => Promise<unknown>) => ({
    mutate: (input: unknown) => void run(input),
    isPending: ref(false),
  }),
}))
const { default: PostSheetPage } = await import('./PostSheetPage.vue')
vi.mock('@/parts/undo', () => ({ offerUndo: vi.fn() }))

function page(shown?: Sheet) {
  found = ref(shown)
  return mount(PostSheetPage, {
    props: { workspace: 'w1', post: 'p1' },
    shallow: true,
    attachTo: document.body,
    global: {
      stubs: {
        ...BUTTONS,
        RouterLink: true,
        PostSheetHead: false,
        PostColumns: false,
        PostLedger: false,
        PostDialogs: false,
      },
    },
  })
}
const act = (view: ReturnType<typeof page>, words: RegExp) =>
  view.findAll('header button').find((one) => words.test(one.text()))
const step = {
  step_id: 's1',
  name: 'The client says yes',
  people: ['Odile Marchetti', 'Per Rask'],
  channels: [{ id: 'c1', name: 'Ticker', off: null }],
  off: null,
}

describe('the post sheet', () => {
  beforeEach(() => {
    calls.length = 0
    failed.value = undefined
    document.body.innerHTML = ''
  })

  it('throws a draft away only where the server lets it, and not before there is one', () => {
    const discard = (view: ReturnType<typeof page>) =>
      view.findAll('aside button').find((one) => one.text() === 'Discard this post')
    const may = page({ ...sheet([adaptation()]), can: { discard: { ok: true } } } as Sheet)
    void discard(may)!.trigger('click')
    expect(calls).toEqual(['discard null'])
    const no = page({ ...sheet([adaptation()]), can: { discard: { ok: false, why: 'A yes is asked for.' } } } as Sheet)
    expect(discard(no)!.attributes('aria-disabled')).toBe('true')
    query.value = { new: '' }
    expect(discard(page(sheet([])))).toBeUndefined()
    query.value = {}
  })

  it('gives the copy more room by a key, and takes it back', async () => {
    const view = page(sheet([adaptation()]))
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'F2' }))
    await view.vm.$nextTick()
    expect(view.find('.columns').classes()).toContain('wide')
    expect(view.findComponent({ name: 'AdaptationColumn' }).props('narrow')).toBe(true)
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'F2' }))
    await view.vm.$nextTick()
    expect(view.find('.columns').classes()).not.toContain('wide')
  })

  it('waits for the post, and says what is wrong where it cannot be had', async () => {
    expect(page().findComponent({ name: 'ComingShape' }).props('label')).toBe('Fetching the post')
    failed.value = new Error('This post is not here.')
    const view = page()
    await flushPromises()
    expect(view.findComponent({ name: 'DiscardedPost' }).props('refusal')).toBe('This post is not here.')
  })

  it('has one column a channel, and says when the first goes out, who is here too and what is on hold', () => {
    const one = adaptation({ at: '2026-10-16T06:30:00Z' })
    const other = adaptation({
      id: 'a2',
      at: '2026-10-15T06:30:00Z',
      channel: { ...one.channel, id: 'c2', name: 'Vitrine' },
    })
    const view = page(
      sheet([one, other], { holds: [{ id: 'h', channel_id: null, by: 'Ines Calloway', reason: 'Storm warning' }] }),
    )
    expect(view.findAllComponents({ name: 'AdaptationColumn' })).toHaveLength(2)
    expect(view.find('.when').text()).toContain('15')
    expect(view.find('.here').text()).toBe('Maro is here too')
    expect(view.find('.held').text()).toBe('On hold by Ines Calloway: Storm warning')
  })

  it('asks whom the server names, at the step that waits', async () => {
    const view = page(sheet([adaptation()], { next_ask: step }))
    expect(act(view, /^Ask/)!.text()).toBe('Ask Odile and Per S')
    await act(view, /^Ask/)!.trigger('click')
    expect(view.findComponent({ name: 'AskDialog' }).vm.$attrs).toMatchObject({ offer: step })
  })

  it('releases what is cleared, by its button and by L, and never without the right to', async () => {
    const cleared = sheet([
      adaptation({ stage: 'cleared' }),
      adaptation({ id: 'a2', channel: { ...adaptation().channel, id: 'c2', name: 'Vitrine' } }),
    ])
    const view = page(cleared)
    expect(act(view, /^Release/)!.text()).toBe('Release Ticker L')
    await act(view, /^Release/)!.trigger('click')
    expect(calls).toEqual(['release {}'])
    const press = () => document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'l', bubbles: true }))
    ;(document.activeElement as HTMLElement).blur()
    press() // only aims: "please" typed over the page releases nothing
    expect(calls).toEqual(['release {}'])
    expect(document.activeElement?.textContent).toContain('Release Ticker')
    press()
    expect(calls).toEqual(['release {}', 'release {}'])
    view.unmount()
    calls.length = 0
    const off = page(
      sheet([adaptation({ stage: 'cleared' })], {
        can: { ...cleared.can, release: { ok: false, why: 'Your role here cannot release.' } },
      }),
    )
    press()
    press()
    expect(calls).toEqual([])
    expect(act(off, /^Release/)!.attributes('aria-disabled')).toBe('true')
  })

  it('opens what is sealed, closes what was opened, takes back what is released, and offers none of it otherwise', async () => {
    const drafting = page(sheet([adaptation()], { ready_next: true }))
    expect(
      ['Unlock', 'Lock again', 'Cancel the release', 'Release', 'Mark ready'].filter((words) =>
        act(drafting, new RegExp(`^${words}`)),
      ),
    ).toEqual(['Mark ready'])
    expect(
      act(
        page(sheet([adaptation({ sealed: true, stage: 'client_approval' })], { stage: 'client_approval' })),
        /^Unlock/,
      ),
    ).toBeDefined()
    const opened = page(sheet([adaptation({ sealed: true, opened: true })], { stage: 'drafting' }))
    await act(opened, /^Lock again/)!.trigger('click')
    const released = page(
      sheet(
        [
          adaptation({
            stage: 'released',
            release: { by: 'Ines', at: '2026-10-15T06:30:00Z' },
            showing: { state: 'planned' },
          }),
        ],
        { stage: 'released' },
      ),
    )
    await act(released, /^Cancel the release/)!.trigger('click')
    expect(calls).toEqual(['close {"adaptation_ids":["a1"]}', 'take-back {}'])
  })

  it('tells in one place how the saving goes', async () => {
    const view = page(sheet([adaptation()], { revision: 3, next_ask: step }))
    expect(view.find('header [role=status]').text()).toBe('revision 3')
    const scope = effectScope()
    const text = ref<SaveState>('waiting')
    scope.run(() => tellSaving('p1', text))
    await flushPromises()
    expect(view.find('header [role=status]').text()).toBe('no connection, kept here')
    text.value = 'conflict'
    await flushPromises()
    expect(view.find('header [role=status]').text()).toBe('conflict: choose a version')
    expect(act(view, /^Ask/)!.attributes('aria-disabled')).toBe('true')
    scope.stop()
  })
})
