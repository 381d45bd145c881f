// How much waits for me, by client: for the masthead and the switcher, which ask for numbers and not for the Desk.
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, ok } from '@/api/client'

export function useWaits(workspace?: Ref<string | undefined>) {
  const route = useRoute()
  const { data } = useQuery({
    queryKey: ['waits'],
    queryFn: () => ok(api.GET('/api/waits')),
    enabled: computed(() => !route.meta.bare),
    refetchInterval: 60_000,
  })
  const byClient = computed<Record<string, number>>(() =>
    Object.fromEntries((data.value?.waits ?? []).map((one) => [one.workspace_id, one.waits])),
  )
  const all = computed(() => Object.values(byClient.value).reduce((sum, one) => sum + one, 0))
  const here = computed(() => (workspace?.value ? (byClient.value[workspace.value] ?? 0) : all.value))
  const notices = computed(() => data.value?.notices ?? 0)
  return { byClient, all, here, notices }
}
