// The Desk's data, shared by the masthead (is anything waiting for me?) and the page.
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, ok } from '@/api/client'

export function useDesk(workspace: Ref<string | undefined>) {
  const route = useRoute()
  const query = useQuery({
    queryKey: ['desk', workspace],
    queryFn: () => ok(api.GET('/api/desk', { params: { query: { workspace: workspace.value } } })),
    enabled: computed(() => !route.meta.bare),
    refetchInterval: 60_000,
  })
  const waiting = computed(() => {
    const desk = query.data.value
    return desk ? desk.asked.length + desk.tasks.length + desk.came_back.length + desk.opened.length + desk.by_hand.length : 0
  })
  return { ...query, waiting }
}
