// What the proof of one channel shows: its pictures as they will be cut, and its link card.
import type { Schemas } from '@/api/client'

type Shown = Pick<Schemas['Proof'], 'pictures' | 'link_card'>
type Media = Record<string, { width: number; height: number; duration_ms?: number | null; pages?: number | null }>

export const fileOf = (workspace: string, id: string) => `/api/w/${workspace}/media/${id}/preview`

export function picturesOf(workspace: string, media: Media, descriptions: unknown, proof: Shown) {
  const said = (descriptions as Record<string, string> | null) ?? {}
  return proof.pictures.map((picture) => {
    const file = media[picture.media_id] ?? { width: 1, height: 1 }
    const { width, height } = file
    return {
      src: fileOf(workspace, picture.media_id),
      alt: said[picture.media_id] || 'Without a description yet',
      kind: picture.kind,
      pages: file.pages ?? undefined,
      lasts: file.duration_ms ?? undefined,
      width,
      height,
      crop: picture.crop ?? undefined,
      full: [width, height] as [number, number],
    }
  })
}

export function cardOf(workspace: string, proof: Shown) {
  const said = proof.link_card
  return said ? { ...said, picture: said.picture ? fileOf(workspace, said.picture) : null } : null
}
