// @vitest-environment jsdom
import { mount } from '@vue/test-utils'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import type { Component } from 'vue'
import ListTable from './ListTable.vue'

beforeAll(() => {
  vi.stubGlobal('matchMedia', () => ({ matches: false, addListener: vi.fn(), removeListener: vi.fn() }))
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  )
})

const table = (rows: { id: string; name: string; posts: number }[]) =>
  mount(ListTable as Component, {
    props: {
      columns: [
        { key: 'name', title: 'Client' },
        {
          key: 'posts',
          title: 'Posts',
          sort: (one: { posts: number }, other: { posts: number }) => one.posts - other.posts,
        },
      ],
      rows,
      rowKey: 'id',
      label: 'Clients',
      empty: 'No client yet.',
    },
    slots: {
      name: '<template #name="{ row }">{{ row.name }}</template>',
      posts: '<template #posts="{ row }">{{ row.posts }}</template>',
    },
  })

describe('a table', () => {
  const rows = [
    { id: 'a', name: 'Quillmere', posts: 9 },
    { id: 'b', name: 'Oddling', posts: 12 },
    { id: 'c', name: 'Harrowfen', posts: 1 },
  ]
  const names = (view: ReturnType<typeof table>) => view.findAll('tbody tr.ant-table-row').map((row) => row.text())

  it('is sorted by a button in its head, up and then down, and says so', async () => {
    const view = table(rows)
    expect(names(view)).toEqual(['Quillmere9', 'Oddling12', 'Harrowfen1'])
    await view.get('th button').trigger('click')
    expect(names(view)).toEqual(['Harrowfen1', 'Quillmere9', 'Oddling12'])
    expect(view.findAll('th').map((head) => head.attributes('aria-sort'))).toEqual([undefined, 'ascending'])
    await view.get('th button').trigger('click')
    expect(names(view)).toEqual(['Oddling12', 'Quillmere9', 'Harrowfen1'])
    expect(view.findAll('th')[1]!.attributes('aria-sort')).toBe('descending')
  })

  it('says in words that there is nothing', () => {
    expect(table([]).text()).toContain('No client yet.')
  })
})
