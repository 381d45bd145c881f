// Who is signed in, and which client is chosen.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ok, type Schemas } from '@/api/client'
import { readAs } from '@/api/time'
import { draftsOf } from '@/parts/drafts'
import { chosenNow } from './recent'

export type Me = Schemas['Me']
// pages that are about one client and go on with another when it is chosen
const OF_A_CLIENT = ['brand', 'people', 'channels', 'route', 'settings', 'client-record', 'labels', 'client-plan']

export async function fetchMe() {
  const me = await ok(api.GET('/api/me'))
  readAs(me)
  draftsOf(me.id)
  return me
}

export function useMe() {
  return useQuery({ queryKey: ['me'], queryFn: fetchMe, staleTime: 60_000 })
}

/** The chosen client workspace lives in the address, so that a page can be sent to a colleague. */
export function useChosen() {
  const route = useRoute()
  const router = useRouter()
  const { data: me } = useMe()
  const id = computed(() => (route.params.workspace ?? route.query.client ?? undefined) as string | undefined)
  const workspaces = computed(() => me.value?.workspaces.filter((one) => one.side === 'agency') ?? [])
  const workspace = computed(() => workspaces.value.find((one) => one.id === id.value))

  function choose(next: string | undefined) {
    const here = String(route.name ?? 'desk')
    if (next) chosenNow(next)
    if (OF_A_CLIENT.includes(here) && next) return void router.push({ name: here, params: { workspace: next } })

    const lists = [
      'desk',
      'figures',
      'plan',
      'campaigns',
      'posts',
      'material',
      'ideas',
      'feeds',
      'partners',
      'dispatch',
    ]
    const list = { post: 'posts', campaign: 'campaigns' }[here] ?? here
    const name = lists.includes(list) ? list : 'desk'
    void router.push({ name, query: next ? { client: next } : {} })
  }

  return { id, workspace, workspaces, choose, me }
}
