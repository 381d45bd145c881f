// Files beside a post, in one of its two rooms.
import { ProblemError, type Problem } from '@/api/client'

export const fileAddress = (path: { workspace: string; post: string }, id: string) =>
  `/api/w/${path.workspace}/posts/${path.post}/files/${id}`

/** @returns the file's id */
export async function addFile(path: { workspace: string; post: string }, room: 'house' | 'client', file: File) {
  const query = new URLSearchParams({ name: file.name, room })
  const reply = await fetch(`/api/w/${path.workspace}/posts/${path.post}/files?${query}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: file,
  })
  if (!reply.ok) throw new ProblemError((await reply.json()) as Problem)
  return ((await reply.json()) as { id: string }).id
}
