// Posts that were discarded: brought back to where they were, from wherever they are shown.
import { api, ok } from '@/api/client'

export const restorePost = (path: { workspace: string; post: string }) =>
  ok(api.POST('/api/w/{workspace}/posts/{post}/bring-back', { params: { path } }))
