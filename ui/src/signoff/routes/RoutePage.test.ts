// @vitest-environment jsdom
import { VueQueryPlugin, QueryClient } from '@tanstack/vue-query'
import { enableAutoUnmount, flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'

class Refused extends Error {
  constructor(readonly problem: Record<string, unknown>) {
    super(String(problem.detail))
  }
}
const STEP = {
  id: 's1',
  name: 'Read by a colleague',
  side: 'internal',
  quorum: 'any',
  n: null,
  hours: 8,
  required: true,
  four_eyes: true,
  people: ['wren', 'bram'],
  roles: [],
  names: ['Wren Ayodele', 'Bram Oster'],
  condition: null as { labels?: string[] } | null,
  when: null as string | null,
}
const OURS = {
  id: 'r1',
  name: 'Our route',
  version: 1,
  default: true,
  releases_itself: false,
  locks_time: false,
  posts: 0,
  campaigns: 0,
  steps: [
    STEP,
    {
      ...STEP,
      id: 's2',
      name: 'The client says yes',
      side: 'client',
      hours: 16,
      people: ['odile'],
      names: ['Odile Marchetti'],
    },
  ],
}
const route = {
  routes: [OURS],
  roles: [{ id: 'reviewers', name: 'reviewer', side: 'internal', people: ['Wren Ayodele'] }],
  labels: [{ id: 'l1', name: 'Prices' }],
  channels: [{ id: 'c1', name: 'Ticker' }],
  formats: [{ id: 'video', name: 'a video' }],
  currency: 'EUR',
  presets: [
    { key: 'client_only', words: 'The client alone', steps: [{ name: 'The client says yes', side: 'client' }] },
  ],
  able: {
    internal: [
      { id: 'wren', name: 'Wren Ayodele' },
      { id: 'bram', name: 'Bram Oster' },
    ],
    client: [{ id: 'odile', name: 'Odile Marchetti' }],
  },
  can: { change_route: { ok: true }, change_settings: { ok: true }, rule: { ok: true } },
}
type Saved = { name: string; steps: Record<string, unknown>[]; seen: number; preset: string | null; let_go: string[] }
const saved: Saved[] = []
let asked: Record<string, unknown>[] = []
let answer: () => unknown = () => ({ id: 'r1', version: 2 })
let given: Record<string, unknown> = route
vi.mock('@/agency/me', () => ({
  useChosen: () => ({ workspace: ref({ name: 'Quillmere Ferries', setup_step: null }) }),
}))
vi.mock('@/api/client', () => ({
  ok: (call: Promise<unknown>) => call,
  isProblem: (error: unknown) => error instanceof Refused,
  sentence: (error: Error) => error.message,
  api: {
    GET: async (path: string) => (path === '/api/posts' ? { posts: [] } : given),
    POST: async (path: string, init: { body: never }) =>
      path.endsWith('/look') ? { asked } : (saved.push(JSON.parse(JSON.stringify(init.body))), answer()),
    PUT: async (_path: string, init: { body: never }) => (saved.push(JSON.parse(JSON.stringify(init.body))), answer()),
  },
}))
const { default: RoutePage } = await import('./RoutePage.vue')
enableAutoUnmount(afterEach)

async function page() {
  const view = mount(RoutePage, {
    props: { workspace: 'w1' },
    attachTo: document.body,
    global: { plugins: [[VueQueryPlugin, { queryClient: new QueryClient() }]], stubs: { StampMark: true } },
  })
  await flushPromises()
  return view
}
type View = Awaited<ReturnType<typeof page>>
const press = async (view: View, words: string, index = 0) => {
  await view
    .findAll('button')
    .filter((one) => one.text() === words)
    [index]!.trigger('click')
  await flushPromises()
}
const choose = (view: View, step: number, what: string, value: string) =>
  view
    .findAllComponents({ name: 'ChoiceField' })
    .find((one) => one.props('id') === `${what}-${step}`)!
    .vm.$emit('update:modelValue', value)
const send = async (view: View) => {
  await view.find('form').trigger('submit')
  await flushPromises()
}

describe('the sign-off route', () => {
  beforeEach(() => {
    localStorage.clear()
    saved.length = 0
    given = route
    answer = () => ({ id: 'r1', version: 2 })
    asked = []
  })

  it('says each step in words: who, how many, within what', async () => {
    const lines = (await page()).findAll('.steps .line').map((one) => one.text())
    expect(lines).toEqual([
      'any one of Wren Ayodele and Bram Oster, within 8 working hours; whoever wrote part of it cannot clear it',
      'Odile Marchetti, within 16 working hours; whoever wrote part of it cannot clear it',
    ])
  })

  it('says why it cannot be changed by whoever may not, and offers nothing', async () => {
    given = {
      ...route,
      can: { ...route.can, change_route: { ok: false, why: 'Your role here cannot change the sign-off route.' } },
    }
    const view = await page()
    expect(view.find('.acts button').attributes('aria-disabled')).toBe('true')
    expect(view.text()).toContain('Your role here cannot change the sign-off route.')
    expect(view.text()).not.toContain('Or begin from one of these')
  })

  it('is changed step by step: order, side, people, number; and stands when it is sent', async () => {
    const view = await page()
    await press(view, 'Change the route …')
    await press(view, 'Later', 0)
    choose(view, 1, 'quorum', 'n')
    await view.findAll('fieldset')[1]!.find('[role=group] input[type=checkbox]').setValue(false)
    await send(view)
    expect(saved[0]).toMatchObject({
      seen: 1,
      preset: null,
      steps: [
        { name: 'The client says yes', side: 'client' },
        { name: 'Read by a colleague', quorum: 'n', n: 2, people: ['bram'] },
      ],
    })
    expect(view.find('form').exists()).toBe(false)
    expect(localStorage.length).toBe(0)
  })

  it('turned to the other side, a step is answered by those who may answer there', async () => {
    const view = await page()
    await press(view, 'Change the route …')
    choose(view, 0, 'side', 'client')
    await flushPromises()
    await send(view)
    expect(saved[0]!.steps[0]).toMatchObject({ side: 'client', people: ['odile'] })
  })

  it('begins from a preset', async () => {
    const view = await page()
    await press(view, 'The client alone')
    await send(view)
    expect(saved[0]).toMatchObject({
      preset: 'client_only',
      steps: [{ side: 'client', quorum: 'any', hours: 16, required: true, four_eyes: true, people: ['odile'] }],
    })
  })

  it('keeps what is being written through a reload, until it is left', async () => {
    let view = await page()
    await press(view, 'Change the route …')
    await view.find('fieldset input').setValue('Read aloud')
    await flushPromises()
    view.unmount()
    view = await page()
    expect((view.find('fieldset input').element as HTMLInputElement).value).toBe('Read aloud')
    await press(view, 'Cancel')
    expect(localStorage.length).toBe(0)
    expect(view.text()).toContain('Read by a colleague')
  })

  it('shows a refusal at its step, and what was typed stays', async () => {
    answer = () => {
      throw new Refused({
        code: 'two_people',
        detail: 'Two yeses need two people.',
        way_on: 'Name another.',
        facts: { step: 1 },
      })
    }
    const view = await page()
    await press(view, 'Change the route …')
    await send(view)
    expect(view.find('fieldset.bad [role=alert]').text()).toBe('Two yeses need two people. Name another.')
    expect(view.findAll('fieldset')).toHaveLength(2)
  })

  it('changed by somebody else meanwhile, is looked at and sent again on what stands now', async () => {
    answer = () => {
      throw new Refused({ code: 'route_changed', detail: 'Somebody changed it.', facts: { seen: 9 } })
    }
    const view = await page()
    await press(view, 'Change the route …')
    await send(view)
    expect(view.find('form').exists()).toBe(true)
    answer = () => ({ id: 'r1', version: 10 })
    await send(view)
    expect(saved[1]!.seen).toBe(9)
  })

  it('wants a step only for some posts, names roles, and proposes a label', async () => {
    const view = await page()
    await press(view, 'Change the route …')
    await press(view, 'Only for some posts …', 0)
    view.findAllComponents({ name: 'ChoicesField' })[0]!.vm.$emit('update:modelValue', ['l1'])
    await flushPromises()
    const box = view.findAll('label').find((one) => one.text().includes('propose the first label'))!
    await box.find('input').setValue(true)
    const role = view.findAll('[role=group] label').find((one) => one.text() === 'reviewer')!
    await role.find('input').setValue(true)
    await send(view)
    expect(saved[0]!.steps[0]).toMatchObject({
      id: 's1',
      roles: ['reviewers'],
      condition: { labels: ['l1'], proposes: 'times_or_prices' },
    })
  })

  it('says what becomes of what is asked, and lets a step go where that is chosen', async () => {
    asked = [
      { step_id: 's1', name: 'Read by a colleague', stays: false, waiting: ['Wren Ayodele'], posts: 2, answered: 0 },
    ]
    const view = await page()
    await press(view, 'Change the route …')
    await flushPromises()
    expect(view.text()).toContain(
      '2 posts asked of Wren Ayodele: goes on; these posts need this step and the new ones.',
    )
    await view.find('.asked input').setValue(true)
    expect(view.text()).toContain('is withdrawn; these posts pass the new steps alone.')
    await send(view)
    expect(saved[0]!.let_go).toEqual(['s1'])
  })

  it('adds another route, under its own name', async () => {
    const view = await page()
    await press(view, 'Add another route …')
    await view.find('form input').setValue('In a hurry')
    await press(view, 'Add a step')
    await view.find('fieldset input').setValue('One quick look')
    await send(view)
    expect(saved[0]).toMatchObject({ name: 'In a hurry', seen: null, steps: [{ name: 'One quick look' }] })
  })
})
