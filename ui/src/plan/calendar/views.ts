// Saved views: a name for how the plan looks and what it is narrowed to, for me or for everybody at a client.
import { message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import type { Ref } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { offerUndo } from '@/parts/undo'
import { KINDS, type Kind, type Narrowing } from './filter'
import type { View } from './place'
import { attempt } from '@/parts/problem'

export type SavedView = Schemas['SavedView']

/** What the address says for a view. */
export function addressOf(view: Pick<SavedView, 'look' | 'narrowing'>): Record<Kind | 'view', string> {
  const narrowing = Object.fromEntries(KINDS.map((kind) => [kind, view.narrowing[kind] ?? ''])) as Record<Kind, string>
  return { view: view.look === 'month' ? '' : view.look, ...narrowing }
}

export function useViews(workspace: Ref<string | undefined>) {
  const queries = useQueryClient()
  const found = useQuery({
    queryKey: ['plan-views', workspace],
    queryFn: () => ok(api.GET('/api/plan/views', { params: { query: { workspace: workspace.value } } })),
  })
  const again = () => queries.invalidateQueries({ queryKey: ['plan-views'] })

  /** @throws the problem, for the field that the name stands in */
  async function save(named: { name: string; look: View; narrowing: Narrowing }, shared: boolean) {
    const view = { name: named.name, look: named.look, narrowing: named.narrowing }
    await (shared && workspace.value
      ? ok(api.POST('/api/w/{workspace}/plan/views', { params: { path: { workspace: workspace.value } }, body: view }))
      : ok(api.POST('/api/plan/views', { body: { ...view, workspace: workspace.value ?? null } })))
    await again()
  }

  async function remove(view: SavedView) {
    try {
      await (view.shared
        ? ok(
            api.DELETE('/api/w/{workspace}/plan/views/{view}', {
              params: { path: { workspace: view.workspace_id!, view: view.id } },
            }),
          )
        : ok(api.DELETE('/api/plan/views/{view}', { params: { path: { view: view.id } } })))
      offerUndo(`The view “${view.name}” is removed.`, () => attempt(() => save(view, view.shared)))
    } catch (problem) {
      void message.error(sentence(problem), 8)
    }
    await again()
  }
  return { found, save, remove }
}
