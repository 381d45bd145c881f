// Who is signed in, and which client is chosen.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ok, type Schemas } from '@/api/client'

export type Me = Schemas['Me']

export function useMe() {
  return useQuery({ queryKey: ['me'], queryFn: () => ok(api.GET('/api/me')), staleTime: 60_000 })
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
    const name = route.name === 'post' ? 'posts' : String(route.name ?? 'desk')
    void router.push({ name, query: next ? { client: next } : {} })
  }
  return { id, workspace, workspaces, choose, me }
}
