// @vitest-environment jsdom
import { enableAutoUnmount, flushPromises, mount } from '@vue/test-utils'
import { QueryClient, VueQueryPlugin } from '@tanstack/vue-query'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

const post = (id: string, more = {}) => ({
  id,
  workspace_id: 'w1',
  subject: `Post ${id}`,
  channels: [],
  by: 'Ines Calloway',
  discarded_at: '2026-10-14T09:00:00Z',
  restore: { ok: true },
  ...more,
})
let posts = [post('a')]
const sent: string[] = []
vi.mock('@/api/client', async (original) => ({
  ...(await original<object>()),
  ok: async (value: unknown) => value,
  api: {
    GET: async (path: string) => (path === '/api/discarded-posts' ? { posts, next: null } : posts[0]),
    POST: async (path: string, call: { params: { path: { post: string } } }) => {
      sent.push(`${path.split('/').pop()} ${call.params.path.post}`)
      return {}
    },
  },
}))
const { default: DiscardedList } = await import('./DiscardedList.vue')
const { default: DiscardedPost } = await import('./DiscardedPost.vue')
enableAutoUnmount(afterEach)

const global = () => ({
  plugins: [[VueQueryPlugin, { queryClient: new QueryClient() }] as never],
  stubs: { RouterLink: { template: '<a><slot /></a>' } },
})
async function list(words = '') {
  const view = mount(DiscardedList, { props: { words, names: { w1: 'Quillmere Ferries' } }, global: global() })
  await flushPromises()
  return view
}

describe('what was discarded', () => {
  beforeEach(() => {
    sent.length = 0
    posts = [post('a')]
  })

  it('says who did it and when, and whose it is over all clients', async () => {
    const text = (await list()).text()
    expect(text).toContain('Post a')
    expect(text).toContain('Quillmere Ferries')
    expect(text).toMatch(/Discarded by Ines Calloway, 14 Oct/)
  })

  it('is restored by its button, where the reader may', async () => {
    posts = [post('a'), post('b', { restore: { ok: false, why: 'Only who makes posts may.' } })]
    const view = await list()
    const [first, second] = view.findAll('li button')
    expect(second!.attributes()).toMatchObject({ disabled: '', title: 'Only who makes posts may.' })
    await first!.trigger('click')
    await flushPromises()
    expect(sent).toEqual(['bring-back a'])
  })

  it('says that nothing was found', async () => {
    posts = []
    expect((await list('low water')).text()).toContain('Nothing that was discarded has these words.')
  })

  it('is restored at its own address, too', async () => {
    const props = { workspace: 'w1', post: 'a', refusal: 'It is not here.' }
    const view = mount(DiscardedPost, { props, global: global() })
    await flushPromises()
    expect(view.find('h1').text()).toBe('Post a')
    await view.find('button').trigger('click')
    await flushPromises()
    expect(sent).toEqual(['bring-back a'])
    expect(view.emitted('restored')).toHaveLength(1)
  })
})
