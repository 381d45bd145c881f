// @vitest-environment jsdom
import { enableAutoUnmount, flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { computed, ref } from 'vue'

let unseen: number[] = []
vi.mock('./seen', () => ({
  watchVariants: () => ({
    unseen: (variant: number) => (unseen.includes(variant) ? 0 : undefined),
    end: () => undefined,
  }),
}))
vi.stubGlobal('scrollTo', () => undefined)
const { default: ReviewList } = await import('./ReviewList.vue')
enableAutoUnmount(afterEach)

const line = (id: string, wall: string, variants = 1) => ({
  id,
  wall,
  ended: null as string | null,
  variants: Array.from({ length: variants }, (_, variant) => ({ adaptation_ids: [`${id}-${variant}`] })),
})
const given: [string, string][] = []
function answers(all: ReturnType<typeof line>[], takes = true) {
  const verdicts = ref<Record<string, string>>({})
  const lines = ref(all)
  const verdictOf = (one: { id: string }) => verdicts.value[one.id]
  return {
    review: ref({ message: '' }),
    lines: computed(() => lines.value),
    busy: ref(false),
    note: ref(''),
    looking: ref(false),
    waiting: ref(0),
    verdictOf,
    saidBy: () => undefined,
    open: (one: { id: string; ended: string | null }) => !verdictOf(one) && !one.ended,
    give: async (one: { id: string }, verdict: string) => {
      given.push([one.id, verdict])
      if (takes) verdicts.value = { ...verdicts.value, [one.id]: verdict }
      return takes
    },
  }
}
const list = async (state: ReturnType<typeof answers>) => {
  const view = mount(ReviewList, {
    props: { answers: state as never },
    attachTo: document.body,
    global: {
      stubs: { ReviewPost: { props: ['line', 'place'], template: '<i :data-place="place">{{ line.id }}</i>' } },
    },
  })
  await flushPromises()
  return view
}
const press = async (view: Awaited<ReturnType<typeof list>>, words: string, at = 0) => {
  await view
    .findAll('button')
    .filter((one) => one.text() === words)
    [at]!.trigger('click')
  await flushPromises()
}

describe('all posts of an ask in a list', () => {
  beforeEach(() => {
    given.length = 0
    unseen = []
  })
  const week = () => [line('a', '2026-10-15T07:30'), line('b', '2026-10-15T12:00', 2), line('c', '2026-10-16T09:00')]

  it('stands by day, each variant with its own number on the page', async () => {
    const view = await list(answers(week()))
    expect(view.findAll('h1').map((one) => one.text())).toEqual(['Thursday 15 October', 'Friday 16 October'])
    expect(view.findAll('i').map((one) => one.attributes('data-place'))).toEqual(['0', '1', '3'])
  })

  it('takes one yes for all that are left, after each was seen and it was said once more', async () => {
    const state = answers(week())
    const view = await list(state)
    unseen = [2]
    await press(view, 'Yes to the 3 that are left')
    expect(state.note.value).toContain('See each of them first')
    expect(given).toEqual([])
    unseen = []
    await press(view, 'Yes to the 3 that are left')
    expect(view.text()).toContain('You have seen each of them. 3 posts can go out exactly as you saw them.')
    await view.find('footer .yes').trigger('click')
    await flushPromises()
    expect(given).toEqual([
      ['a', 'yes'],
      ['b', 'yes'],
      ['c', 'yes'],
    ])
    expect(view.find('footer .wide').exists()).toBe(false)
  })

  it('stops at the first that is not taken, and says no more', async () => {
    const view = await list(answers(week(), false))
    await press(view, 'Yes to the 3 that are left')
    await view.find('footer .yes').trigger('click')
    await flushPromises()
    expect(given).toEqual([['a', 'yes']])
  })

  it('answers one by itself, leaves out what is over, and takes a change to its own page', async () => {
    const over = week()
    over[0]!.ended = 'withdrawn'
    const view = await list(answers(over))
    expect(view.findAll('.two')).toHaveLength(2)
    await press(view, 'Yes, it can go out', 1)
    expect(given).toEqual([['c', 'yes']])
    await press(view, 'Change this')
    expect(view.emitted('change')).toEqual([[1]])
  })
})
