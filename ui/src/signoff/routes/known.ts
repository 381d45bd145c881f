// What the page of the sign-off routes knows of the client: the routes, and all that a step can name.
import { useQuery } from '@tanstack/vue-query'
import { api, ok } from '@/api/client'

const fetchRoutes = (workspace: string) => () =>
  ok(api.GET('/api/w/{workspace}/routes', { params: { path: { workspace } } }))
export type Known = Awaited<ReturnType<ReturnType<typeof fetchRoutes>>>

export const useRoutes = (workspace: string) =>
  useQuery({ queryKey: ['route', workspace], queryFn: fetchRoutes(workspace) })
