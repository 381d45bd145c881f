// The Desk's data. Lists that somebody wants whole are asked for whole.
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, ref, type Ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'

type Counts = Schemas['Desk']['counts']
const MINE = ['asked', 'tasks', 'for_nobody', 'to_ask', 'came_back', 'opened', 'by_hand'] as const

export function useDesk(workspace: Ref<string | undefined>) {
  const whole = ref<string[]>([])
  const query = useQuery({
    queryKey: ['desk', workspace, whole],
    queryFn: () =>
      ok(
        api.GET('/api/desk', {
          params: { query: { workspace: workspace.value, whole: whole.value.join(',') || undefined } },
        }),
      ),
    placeholderData: keepPreviousData,
    refetchInterval: 60_000,
  })
  const waiting = computed(() => MINE.reduce((sum, kind) => sum + (query.data.value?.counts[kind] ?? 0), 0))
  const open = (list: keyof Counts) => (whole.value = [...whole.value, list])
  return { ...query, waiting, open }
}
