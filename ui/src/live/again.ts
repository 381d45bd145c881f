// One block of an open post's sheet, fetched again without the others.
import type { QueryClient } from '@tanstack/vue-query'
import { api, ok, type Schemas } from '@/api/client'

export type Block = 'head' | 'columns' | 'signoff' | 'tasks' | 'talk' | 'around'

export async function fetchAgain(queries: QueryClient, workspace: string, post: string, block: Block): Promise<void> {
  const key = ['post', post]
  try {
    const part = await ok(
      api.GET('/api/w/{workspace}/posts/{post}/blocks', {
        params: { path: { workspace, post }, query: { names: block } },
      }),
    )
    queries.setQueryData<Schemas['PostSheet']>(key, (sheet) => sheet && { ...sheet, ...part })
  } catch {
    // whatever the reason, the whole sheet says it
    await queries.invalidateQueries({ queryKey: key })
  }
}
