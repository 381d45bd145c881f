// How a picture is changed into another one: steps as the core takes them (core/media/edit.rb), each undone by the one
// before.
import { BLACK, WHITE } from '@/parts/plain-colours'
import { computed, ref } from 'vue'
import { ok, api, type Schemas } from '@/api/client'

export type Edit = Schemas['MediaEdit']
export type Words = NonNullable<Edit['words']>
export type Cost = Awaited<ReturnType<typeof costOf>>[number]

export const SHAPES: Shape[] = [
  ['as it is', null],
  ['square', [1, 1]],
  ['4:5 upright', [4, 5]],
  ['2:1 wide', [2, 1]],
  ['3:2', [3, 2]],
  ['16:9', [16, 9]],
  ['9:16 tall', [9, 16]],
]
type Shape = [name: string, to: [number, number] | null]

/** What the client's channels ask for first, each shape once with the channels that ask for it; then the common ones. */
export function shapesFor(channels: { name: string; limits: { shapes?: number[][] | null } }[]): Shape[] {
  const asked = new Map<string, { to: [number, number]; names: string[] }>()
  for (const channel of channels)
    for (const [width, height] of channel.limits.shapes ?? []) {
      const key = `${width}:${height}`
      const here = asked.get(key) ?? { to: [width!, height!], names: [] }
      if (!here.names.includes(channel.name)) here.names.push(channel.name)
      asked.set(key, here)
    }
  const wanted = [...asked].map(([key, { to, names }]): Shape => [`${key} for ${names.join(', ')}`, to])
  const common = SHAPES.slice(1).filter(([, to]) => !asked.has(to!.join(':')))
  return [SHAPES[0]!, ...wanted, ...common]
}

/** What becomes of an edit: a file of its own, or the newer version for these posts. */
export type Kept = { copy: true } | { post_ids: string[] }

export const PLAIN = [
  { name: 'white', hex: WHITE },
  { name: 'black', hex: BLACK },
]

/** Steps with what changes nothing left out, as the core keeps them. */
export function plain(edit: Edit): Edit {
  const frame = Object.fromEntries(Object.entries(edit.frame ?? {}).filter(([, one]) => one != null))
  const kept: Edit = { ...edit, frame: Object.keys(frame).length > 0 ? frame : undefined }
  if (!kept.words?.text?.trim()) delete kept.words
  return Object.fromEntries(Object.entries(kept).filter(([, one]) => one !== undefined && one !== 0)) as Edit
}

/** "0:41.2" */
export function moment(ms: number): string {
  const tenths = Math.round(ms / 100)
  return `${Math.floor(tenths / 600)}:${String(Math.floor(tenths / 10) % 60).padStart(2, '0')}.${tenths % 10}`
}

/** What of a film changes, as the core keeps it (core/media/film_edit.rb). */
export function filmEdit([from, to]: [number, number], mute: boolean, length: number) {
  return {
    ...(from > 0 ? { start: from } : {}),
    ...(to < length ? { end: to } : {}),
    ...(mute ? { mute: true } : {}),
  }
}

/** The steps that were taken, each with the way back. */
export function useSteps() {
  const steps = ref<Edit[]>([{}])
  const now = computed(() => steps.value[steps.value.length - 1]!)
  let last = ''
  return {
    now,
    changed: computed(() => Object.keys(plain(now.value)).length > 0),
    undoable: computed(() => steps.value.length > 1),
    /** @param kind what is being moved: one slider moved again is one step */
    take(change: Partial<Edit>, kind: string) {
      const next = { ...now.value, ...change }
      if (kind === last && steps.value.length > 1) steps.value = [...steps.value.slice(0, -1), next]
      else steps.value = [...steps.value, next]
      last = kind
    },
    undo() {
      if (steps.value.length > 1) steps.value = steps.value.slice(0, -1)
      last = ''
    },
    anew() {
      steps.value = [{}]
      last = ''
    },
  }
}

/** WCAG 2.2: how well two colours can be told apart, 1 to 21; the core decides by the same. */
export function contrast(one: string, other: string): number {
  const luminance = (hex: string) => {
    const [red, green, blue] = [1, 3, 5].map((at) => {
      const value = parseInt(hex.slice(at, at + 2), 16) / 255
      return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
    }) as [number, number, number]
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue
  }
  const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a) as [number, number]
  return (light + 0.05) / (dark + 0.05)
}

export async function costOf(workspace: string, media: string) {
  const path = { workspace, media }
  return (await ok(api.GET('/api/w/{workspace}/media/{media}/version-cost', { params: { path } }))).posts
}

/** What the steps would make, as an address of the browser's own that has to be given back. */
export async function look(workspace: string, media: string, edit: Edit, signal: AbortSignal): Promise<string> {
  const call = api.GET('/api/w/{workspace}/media/{media}/edited', {
    params: { path: { workspace, media }, query: { edit: JSON.stringify(plain(edit)) } },
    parseAs: 'blob',
    signal,
  })
  return URL.createObjectURL((await ok(call)) as unknown as Blob)
}

export function make(workspace: string, media: string, edit: Edit, how: Kept) {
  return ok(
    api.POST('/api/w/{workspace}/media/{media}/edits', {
      params: { path: { workspace, media } },
      body: { edit: plain(edit), ...how },
    }),
  )
}

/** A newer file in the place of a medium. */
export async function replace(workspace: string, media: string, file: File, posts: string[]) {
  const call = fetch(`/api/w/${workspace}/media/${media}/versions?posts=${posts.join(',')}`, {
    method: 'POST',
    credentials: 'same-origin',
    headers: { 'Content-Type': 'application/octet-stream', 'Idempotency-Key': crypto.randomUUID() },
    body: file,
  }).then(async (response) => {
    const body = (await response.json()) as { id: string; posts: number }
    return response.ok ? { data: body, response } : { error: body, response }
  })
  return ok<{ id: string; posts: number }>(call)
}
