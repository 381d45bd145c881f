// The plan as a list: what is fetched, and what is changed in its cells.
import { message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { money, type Money } from '@/api/money'
import type { Narrowing } from './filter'

export type Row = Schemas['ListedLine'] & { key: string }
type Asked = { workspace?: string; days: [string, string]; narrowing: Narrowing; hidden: boolean }

const keyOf = (row: Schemas['ListedLine']) =>
  `${row.post_id} ${row.wall} ${row.channels.map((one) => one.id).join(' ')}`

export function useList(asked: Ref<Asked>, wanted: Ref<boolean>) {
  return useQuery({
    queryKey: computed(() => ['plan', asked.value.workspace, 'list', asked.value]),
    queryFn: async () => {
      const { workspace, narrowing, hidden } = asked.value
      const [from, to] = asked.value.days
      const narrowed = { ...narrowing, switched_off: hidden ? ('hidden' as const) : undefined }
      const found = await ok(api.GET('/api/plan/list', { params: { query: { workspace, from, to, ...narrowed } } }))
      return { cut: found.cut, rows: found.rows.map((row) => ({ ...row, key: keyOf(row) })) }
    },
    enabled: wanted,
    placeholderData: (before: { rows: Row[]; cut: boolean } | undefined) => before,
  })
}

/** Posts, lines and money of some rows: a post that goes out at two times is one post. */
export function totals(rows: Row[]): { posts: number; lines: number; money: string[] } {
  const sums = new Map<string, number>()
  for (const one of rows.flatMap((row) => row.money)) sums.set(one.currency, (sums.get(one.currency) ?? 0) + one.minor)
  const all: Money[] = [...sums].sort().map(([currency, minor]) => ({ minor, currency }))
  return { posts: new Set(rows.map((row) => row.post_id)).size, lines: rows.length, money: all.map(money) }
}

/** Changes one thing of a post; what is refused is said, and the cell shows again what stands. */
export function useListed() {
  const queries = useQueryClient()
  const path = (row: Row) => ({ path: { workspace: row.workspace_id, post: row.post_id } })

  /** Shown at once; what is refused is put back by what the server says. */
  function show(row: Row, change: Partial<Row>) {
    queries.setQueriesData<{ rows: Row[]; cut: boolean }>({ queryKey: ['plan'] }, (shown) =>
      shown && 'rows' in shown && 'cut' in shown
        ? { ...shown, rows: shown.rows.map((one) => (one.post_id === row.post_id ? { ...one, ...change } : one)) }
        : shown,
    )
  }
  async function done(row: Row, change: Partial<Row>, run: () => Promise<unknown>) {
    show(row, change)
    try {
      await run()
    } catch (problem) {
      void message.error(sentence(problem), 8)
    }
    await queries.invalidateQueries({ queryKey: ['plan'] })
  }
  const subject = (row: Row, subject: string) =>
    done(row, { subject, subject_version: row.subject_version + 1 }, () =>
      ok(
        api.PUT('/api/w/{workspace}/posts/{post}/subject', {
          params: { ...path(row), header: { 'If-Match': `"${row.subject_version}"` } },
          body: { subject },
        }),
      ),
    )
  const labels = (row: Row, names: string[]) =>
    done(row, { labels: names }, () =>
      ok(api.PUT('/api/w/{workspace}/posts/{post}/labels', { params: path(row), body: { names } })),
    )
  const campaign = (row: Row, name: string) =>
    done(row, { campaign: name || null }, () =>
      ok(api.PUT('/api/w/{workspace}/posts/{post}/campaign', { params: path(row), body: { name } })),
    )
  const owner = (row: Row, person: string, name: string) =>
    done(row, { owner: { id: person, name } }, () =>
      ok(api.PUT('/api/w/{workspace}/posts/{post}/owner', { params: path(row), body: { person } })),
    )
  return { subject, labels, campaign, owner }
}
