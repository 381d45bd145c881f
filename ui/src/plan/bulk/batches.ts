// My acts over many posts that go on by themselves, or whose end I have not looked at.
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, ok, type Schemas } from '@/api/client'

export type BatchLine = Schemas['BatchLine']
const LOOK = 2_000 // milliseconds, while one goes on

export function useBatches() {
  const route = useRoute()
  const { data } = useQuery({
    queryKey: ['batches'],
    queryFn: () => ok(api.GET('/api/plan/batches')),
    enabled: computed(() => !route.meta.bare),
    refetchInterval: ({ state }) => (state.data?.batches.some((one) => !one.ended) ? LOOK : false),
  })
  return computed(() => data.value?.batches ?? [])
}
