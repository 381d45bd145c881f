// @vitest-environment jsdom
import { flushPromises, mount } from '@vue/test-utils'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'

const post = vi.fn()
const offered = vi.fn()
const told = { warning: vi.fn(), error: vi.fn() }
vi.mock('@/api/client', () => ({
  api: { POST: (...all: unknown[]) => post(...all) },
  ok: (answer: Promise<unknown>) => answer,
  sentence: (error: Error) => error.message,
}))
vi.mock('@/parts/undo', () => ({ offerUndo: (...all: unknown[]) => offered(...all) }))
vi.mock('ant-design-vue', () => ({ message: told }))

const { useMoving } = await import('./moving')
const { timeOn } = await import('./moves')
type Use = ReturnType<typeof useMoving>

const LISBON = 'Europe/Lisbon'
const line = {
  workspace_id: 'w',
  post_id: 'p',
  subject: 'Fog days',
  channels: ['ti', 'vi'],
  time: { wall: '2026-10-15T07:30:00', zone: LISBON },
  at: '2026-10-15T07:30',
  place: '2026-10-15',
  zone: LISBON,
}
const nothing = {
  refused: null,
  kind: 'ordinary',
  at: null,
  past: false,
  off: null,
  costs: [],
  warnings: [],
  unreleased: [],
}

function use(): { moving: Use; queries: QueryClient } {
  let moving!: Use
  const queries = new QueryClient()
  const month = {
    period: '2026-10',
    lines: [{ post_id: 'p', wall: '2026-10-15T07:30', time: line.time, channels: [{ id: 'ti' }, { id: 'vi' }] }],
  }
  queries.setQueryData(['plan', 'w', 'month', '2026-10', {}, true], month)
  const Page = defineComponent({
    setup() {
      moving = useMoving(
        () => 'w',
        (id) => (id === 'co' ? { id, network: 'commons', initials: 'Co', name: 'Commons' } : undefined),
      )
      return () => h('div')
    },
  })
  mount(Page, { global: { plugins: [[VueQueryPlugin, { queryClient: queries }]] } })
  return { moving, queries }
}
const asked = async () => {
  await vi.advanceTimersByTimeAsync(200)
  await flushPromises()
}
const bodies = (kind: string) =>
  post.mock.calls.filter(([path]) => String(path).endsWith(kind)).map(([, { body }]) => body)

describe('a line of the plan on its way', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    for (const one of [post, offered, told.warning, told.error]) one.mockReset()
    post.mockResolvedValue(nothing)
  })

  it('keeps its hour by its own zone; out of the tray it gets noon of its client', () => {
    expect(timeOn(line, '2026-10-26')).toEqual({ wall: '2026-10-26T07:30:00', zone: LISBON })
    expect(timeOn({ ...line, time: null, at: null, place: null }, '2026-10-26').wall).toBe('2026-10-26T12:00:00')
    // seen from another zone it stands on another day, and moves by as many days
    expect(timeOn({ ...line, at: '2026-10-14T22:30' }, '2026-10-16').wall).toBe('2026-10-17T07:30:00')
    expect(timeOn(line, '2026-10-15T18').wall).toBe('2026-10-15T18:30:00')
  })

  it('asks once it rests on a day, and only the last answer counts', async () => {
    const { moving } = use()
    moving.pick(line, '2026-10-15')
    moving.over('2026-10-16')
    moving.over('2026-10-17')
    await asked()
    expect(bodies('move-cost')).toEqual([
      { channels: ['ti', 'vi'], time: { wall: '2026-10-17T07:30:00', zone: LISBON } },
    ])
    expect(moving.moving.value?.cost).toEqual(nothing)
  })

  it('is shown where it was dropped at once, and can be undone', async () => {
    const { moving, queries } = use()
    moving.pick(line, '2026-10-15')
    moving.over('2026-10-17')
    await asked()
    const dropped = moving.drop()
    const shown = queries.getQueryData<{ lines: { wall: string }[] }>(['plan', 'w', 'month', '2026-10', {}, true])
    expect(shown!.lines[0]!.wall).toBe('2026-10-17T07:30')
    expect(await dropped).toBe(true)
    const [words, undo] = offered.mock.calls[0]!
    expect(words).toContain('“Fog days” is planned for Sat 17 Oct, 7:30')
    undo()
    await flushPromises()
    expect(bodies('/move')).toEqual([
      { channels: ['ti', 'vi'], from: line.time, time: { wall: '2026-10-17T07:30:00', zone: LISBON } },
      { channels: ['ti', 'vi'], from: { wall: '2026-10-17T07:30:00', zone: LISBON }, time: line.time },
    ])
  })

  it('that was released says that it is not any more, and undone is released again, or says why not', async () => {
    const { moving } = use()
    const answers = (release: () => unknown) =>
      post.mockImplementation(async (path: string) =>
        path.endsWith('/move') ? { unreleased: ['a'] } : path.endsWith('/release') ? release() : nothing,
      )
    answers(() => undefined)
    moving.pick(line, '2026-10-15')
    moving.over('2026-10-17')
    await asked()
    await moving.drop()
    const [words, undo] = offered.mock.calls[0]!
    expect(words).toBe('“Fog days” is planned for Sat 17 Oct, 7:30 Lisbon. It is not released any more.')
    expect(await undo()).toBe('“Fog days” is back at its time, and released again.')
    expect(bodies('/release')).toEqual([{ adaptation_ids: ['a'] }])
    answers(() => Promise.reject(new Error('You may not release here.')))
    expect(await undo()).toBe('“Fog days” is back at its time, but not released: You may not release here.')
  })

  it('stays where it is when it is dropped there, left, or refused', async () => {
    const { moving } = use()
    moving.pick(line, '2026-10-15')
    expect(await moving.drop()).toBe(false)
    moving.pick(line, '2026-10-15')
    moving.over('2026-10-16')
    moving.leave()
    expect(moving.moving.value).toBeNull()
    post.mockResolvedValue({ ...nothing, refused: 'It is out.' })
    moving.pick(line, '2026-10-15')
    moving.over('2026-10-16')
    await asked()
    expect(await moving.drop()).toBe(false)
    expect(told.warning).toHaveBeenCalledWith('It is out.', 8)
    expect(bodies('/move')).toEqual([])
  })

  it('goes to another channel of the grid, says so before, is shown there at once, and comes back', async () => {
    const { moving, queries } = use()
    const inColumn = { ...line, place: '2026-10-15@ti' }
    moving.pick(inColumn, '2026-10-15@ti')
    moving.over('2026-10-16@co')
    await asked()
    const change = { from: 'ti', to: 'co', seen: line.time, time: { wall: '2026-10-16T07:30:00', zone: LISBON } }
    expect(bodies('channel-cost')).toEqual([change])
    expect(moving.moving.value?.move?.words[0]).toContain('Commons, Fri 16 Oct, 7:30')
    const dropped = moving.drop()
    const shown = queries.getQueryData<{ lines: { wall: string; channels: { id: string }[] }[] }>([
      'plan',
      'w',
      'month',
      '2026-10',
      {},
      true,
    ])
    expect(shown!.lines.map((one) => [one.wall, one.channels.map(({ id }) => id)])).toEqual([
      ['2026-10-15T07:30', ['vi']],
      ['2026-10-16T07:30', ['co']],
    ])
    await dropped
    offered.mock.calls[0]![1]()
    await flushPromises()
    expect(bodies('change-channel')).toEqual([change, { from: 'co', to: 'ti', seen: change.time, time: change.seen }])
    // in its own column it only moves
    moving.pick(inColumn, '2026-10-16@ti')
    expect(moving.moving.value?.move?.words[0]).toMatch(/^Fri 16 Oct, 7:30/)
  })

  it('takes all that are chosen by as many days, says what comes of them, and takes them back', async () => {
    const { moving, queries } = use()
    const also = new Map([
      ['p', { workspace: 'w' }],
      ['q', { workspace: 'w' }],
    ])
    const each = (done: boolean) => (id: string) => ({
      post_id: id,
      done,
      changed: done,
      was: 'drafting',
      stage: 'drafting',
      why: done ? null : 'It is out.',
      before: null,
      made: [],
    })
    post.mockResolvedValue({ posts: [each(true)('p'), each(false)('q')] })
    moving.pick({ ...line, also }, '2026-10-15')
    expect(moving.moving.value?.move).toBeUndefined()
    moving.over('2026-10-18')
    await asked()
    expect(moving.moving.value?.move?.words).toEqual(['2 posts, 3 days later', 'each at its hour'])
    expect(moving.moving.value?.several?.map((one) => one.done)).toEqual([true, false])
    const dropped = moving.drop()
    const shown = queries.getQueryData<{ lines: { wall: string }[] }>(['plan', 'w', 'month', '2026-10', {}, true])
    expect(shown!.lines[0]!.wall).toBe('2026-10-18T07:30')
    await dropped
    expect(offered.mock.calls[0]![0]).toBe('1 post is moved. 1 could not be.')
    offered.mock.calls[0]![1]()
    await flushPromises()
    const orders = bodies('several').map(({ order, posts, dry }) => [order.days, posts, dry])
    expect(orders).toEqual([
      [3, ['p', 'q'], true],
      [3, ['p', 'q'], false],
      [-3, ['p'], false],
    ])
  })

  it('is put back with the sentence when the server refuses', async () => {
    const { moving, queries } = use()
    const again = vi.spyOn(queries, 'invalidateQueries')
    moving.pick(line, '2026-10-15')
    moving.over('2026-10-17')
    await asked()
    post.mockRejectedValueOnce(new Error('Somebody planned this for another time meanwhile.'))
    expect(await moving.drop()).toBe(false)
    expect(told.error).toHaveBeenCalledWith('Somebody planned this for another time meanwhile.', 8)
    expect(offered).not.toHaveBeenCalled()
    expect(again).toHaveBeenCalledWith({ queryKey: ['plan'] })
  })
})
