// Key dates and other work in the plan: on which days they stand, and how they are put there and taken out.
import { useQueryClient } from '@tanstack/vue-query'
import { api, ok, type Schemas, seen } from '@/api/client'
import { offerUndo } from '@/parts/undo'
import { attempt } from '@/parts/problem'

export type KeyDate = Schemas['KeyDate']
export type NewKeyDate = Schemas['NewKeyDate']

export const on = (dates: KeyDate[], day: string) => dates.filter((one) => one.first <= day && day <= one.last)

export function useKeyDates() {
  const queries = useQueryClient()
  const again = () => queries.invalidateQueries({ queryKey: ['plan'] })
  const put = (workspace: string, body: NewKeyDate) =>
    ok(api.POST('/api/w/{workspace}/plan/dates', { params: { path: { workspace } }, body }))

  /** @throws the problem, for the field that it names */
  async function keep(workspace: string, date: NewKeyDate, was?: { id: string; version: number }) {
    const params = was && { path: { workspace, date: was.id }, header: seen(was.version) }
    await (params ? ok(api.PUT('/api/w/{workspace}/plan/dates/{date}', { params, body: date })) : put(workspace, date))
    await again()
  }

  async function drop({ workspace_id, id, ...date }: KeyDate) {
    const { kind, name, yearly, since } = date
    const days = Math.round((Date.parse(date.last) - Date.parse(date.first)) / 86_400_000)
    const last = new Date(Date.parse(since) + days * 86_400_000).toISOString().slice(0, 10)
    const back = () => keep(workspace_id, { kind, name, yearly, first: since, last })
    const gone = await attempt(() =>
      ok(
        api.DELETE('/api/w/{workspace}/plan/dates/{date}', {
          params: { path: { workspace: workspace_id, date: id } },
        }),
      ),
    )
    if (gone) offerUndo(`“${name}” is out of the plan.`, () => attempt(back))
    await again()
  }
  return { keep, drop }
}
