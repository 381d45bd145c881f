// Files of the library go into a post: their descriptions, where they have one, come along, and can be changed there
// without changing the other.
import { api, ok } from '@/api/client'
import type { Medium } from './library'

/** What a post takes over of files that it did not hold, beside what is written there already. */
export function descriptionsOf(media: Pick<Medium, 'id' | 'description'>[], there: Record<string, string> = {}) {
  const more = media.filter((one) => one.description && !there[one.id]).map((one) => [one.id, one.description] as const)
  return { ...there, ...Object.fromEntries(more) }
}

/** @returns the id of a new draft that holds these files */
export async function draftWith(workspace: string, ids: string[]): Promise<string> {
  const media = await Promise.all(
    ids.map((one) => ok(api.GET('/api/w/{workspace}/media/{media}', { params: { path: { workspace, media: one } } }))),
  )
  const { id: post } = await ok(
    api.POST('/api/w/{workspace}/posts', { params: { path: { workspace } }, body: { subject: '' } }),
  )
  const save = (part: 'media' | 'descriptions', value: string[] | Record<string, string>) =>
    ok(
      api.PUT('/api/w/{workspace}/posts/{post}/parts/{part}', {
        params: { path: { workspace, post, part }, header: { 'If-Match': '"0"' } },
        body: { value },
      }),
    )
  await save('media', ids)
  const said = descriptionsOf(media)
  if (Object.keys(said).length > 0) await save('descriptions', said)
  return post
}
