// Whether anything is wrong with the sending itself: asked every few seconds, since a dispatcher that died tells
// nobody.
import { useQuery } from '@tanstack/vue-query'
import type { Ref } from 'vue'
import { api, ok } from '@/api/client'

const EVERY = 10_000

export function useAlarm(workspace: Ref<string | undefined>) {
  return useQuery({
    queryKey: ['alarm', workspace],
    queryFn: () => ok(api.GET('/api/alarm', { params: { query: { workspace: workspace.value } } })),
    refetchInterval: EVERY,
    select: (found) => found.alarm,
  })
}
