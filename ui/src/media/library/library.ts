// A client's media: what is fetched of them, and how a file is told in a few words.
import { useInfiniteQuery, useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import { calendarDay } from '@/api/time'
import { counted } from '@/api/words'

export type Medium = Schemas['Medium']
export type Whole = Schemas['MediumWhole']
export type Look = Schemas['MediaLook']
export type Folders = Schemas['MediaFolders']

export interface Narrowed {
  folder: string
  kind: string
  look: string
  label: string
  words: string
  order: string
}
export const NARROWED = ['folder', 'kind', 'look', 'label', 'words', 'order'] as const

export const LOOKS: Record<Look, string> = {
  unused: 'Not used yet',
  undescribed: 'Without description',
  near: 'Nearly the same',
  words: 'Words over 20 %',
  small: 'Small for a channel',
  ends: 'Right to use ends',
}
export const KINDS: Record<Medium['kind'], string> = { picture: 'Pictures', video: 'Videos', document: 'Documents' }
export const ACCEPTED =
  'image/jpeg,image/png,image/webp,image/gif,image/avif,video/mp4,video/quicktime,video/webm,application/pdf'

export function useLibrary(workspace: Ref<string | undefined>, narrowed: Ref<Narrowed>) {
  return useInfiniteQuery({
    queryKey: ['media', workspace, narrowed],
    queryFn: ({ pageParam }) => {
      const { folder, kind, look, label, words, order } = narrowed.value
      return ok(
        api.GET('/api/w/{workspace}/media', {
          params: {
            path: { workspace: workspace.value! },
            query: {
              folder: folder || undefined,
              kind: (kind || undefined) as Medium['kind'] | undefined,
              look: (look || undefined) as Look | undefined,
              label: label || undefined,
              words: words || undefined,
              order: (order || undefined) as 'newest' | 'name' | 'largest' | undefined,
              after: pageParam,
            },
          },
        }),
      )
    },
    initialPageParam: undefined as string | undefined,
    getNextPageParam: (last) => last.next ?? undefined,
    enabled: computed(() => !!workspace.value),
  })
}

export function useFolders(workspace: Ref<string | undefined>) {
  return useQuery({
    queryKey: ['media', workspace, 'folders'],
    queryFn: () =>
      ok(api.GET('/api/w/{workspace}/media-folders', { params: { path: { workspace: workspace.value! } } })),
    enabled: computed(() => !!workspace.value),
  })
}

export function useMedium(workspace: Ref<string>, medium: Ref<string>) {
  return useQuery({
    queryKey: ['media', workspace, 'one', medium],
    queryFn: () =>
      ok(
        api.GET('/api/w/{workspace}/media/{media}', {
          params: { path: { workspace: workspace.value, media: medium.value } },
        }),
      ),
  })
}

const clock = (ms: number) => {
  const seconds = Math.round(ms / 1_000)
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}

/** What it is: "4000 × 3000", "0:41 · 1080 × 1920", "2 pages". */
export function measures(one: Pick<Medium, 'kind' | 'width' | 'height' | 'duration_ms' | 'pages'>): string {
  if (one.kind === 'document') return counted(one.pages ?? 0, 'page', 'pages')
  const size = `${one.width} × ${one.height}`
  return one.kind === 'video' ? `${clock(one.duration_ms ?? 0)} · ${size}` : size
}

/** What is to be known of it before it is used, the loudest alone; '' for nothing. */
export function standing(one: Medium): { words: string; loud: boolean } {
  if (one.usable === 'ended') return { words: `was free to use until ${calendarDay(one.usable_until!)}`, loud: true }
  if (one.usable === 'soon') return { words: `until ${calendarDay(one.usable_until!)}`, loud: true }
  if (one.wordy) return { words: `words ${Math.round(one.covered * 100)} %`, loud: false }
  if (one.small) return { words: 'small for a channel', loud: false }
  if (one.out > 0) return { words: one.out === 1 ? 'out once' : `out ${one.out} times`, loud: false }
  if (one.used > 0) return { words: `in ${counted(one.used, 'post', 'posts')}`, loud: false }
  return { words: '', loud: false }
}

/** "3.2 MB" */
export function weight(bytes: number): string {
  return bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1_000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`
}

/** "59.9100° N, 10.7500° E" */
export function placed({ latitude, longitude }: NonNullable<Whole['place']>): string {
  const said = (degrees: number, [over, under]: [string, string]) =>
    `${Math.abs(degrees).toFixed(4)}° ${degrees < 0 ? under : over}`
  return `${said(latitude, ['N', 'S'])}, ${said(longitude, ['E', 'W'])}`
}

export const original = (workspace: string, id: string) => `/api/w/${workspace}/media/${id}/original`
/** @param cover of a film, so that another one is seen at once */
const face = (workspace: string, id: string, size: string, cover?: number | null) =>
  `/api/w/${workspace}/media/${id}/${size}${cover == null ? '' : `?cover=${cover}`}`
export const thumb = (workspace: string, id: string, cover?: number | null) => face(workspace, id, 'thumb', cover)
export const preview = (workspace: string, id: string, cover?: number | null) => face(workspace, id, 'preview', cover)
