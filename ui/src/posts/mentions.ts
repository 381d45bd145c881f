// The client's book of mentions.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { api, ok } from '@/api/client'

export function useBook(workspace: string) {
  return useQuery({
    queryKey: ['mentions', workspace],
    queryFn: () => ok(api.GET('/api/w/{workspace}/mentions', { params: { path: { workspace } } })),
    staleTime: 60_000,
  })
}

export function useSaveMention(workspace: string) {
  const queries = useQueryClient()
  return async (name: string, spellings: Record<string, string>) => {
    await ok(api.PUT('/api/w/{workspace}/mentions', { params: { path: { workspace } }, body: { name, spellings } }))
    await queries.invalidateQueries({ queryKey: ['mentions', workspace] })
    void queries.invalidateQueries({ queryKey: ['post'] })
  }
}
