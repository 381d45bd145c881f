// One click that mends a finding: saves another value for the part where it lives, or goes to the place where it is
// mended.
import { api, ok, type Schemas } from '@/api/client'
import { wallClock } from '@/api/time'
import type { Adaptation, PartName, Sheet } from './sheet'
import { offFor, seenOf } from './writable'

type Mend = NonNullable<Schemas['Finding']['mend']>

export async function applyMend(sheet: Sheet, one: Adaptation, mend: Mend): Promise<void> {
  if (mend.times) {
    const times = mend.times.map(({ channel_id, wall }) => ({ channel_id, wall }))
    await ok(
      api.POST('/api/w/{workspace}/posts/{post}/spread-out', {
        params: { path: { workspace: sheet.workspace_id, post: sheet.id } },
        body: { times },
      }),
    )
    return
  }
  const part = mend.part as PartName
  const own = one.parts[part].own
  await ok(
    api.PUT('/api/w/{workspace}/posts/{post}/parts/{part}', {
      params: {
        path: { workspace: sheet.workspace_id, post: sheet.id, part },
        query: { channel: own ? one.channel.id : undefined },
        header: { 'If-Match': `"${seenOf(sheet, part, own ? one : undefined).version}"` },
      },
      body: { value: mend.value ?? null },
    }),
  )
}

/** Why the reader cannot mend it in a click; a place is open to everybody. */
export function mendOff(sheet: Sheet, one: Adaptation, mend: Mend): string | undefined {
  if (mend.times) return offFor(sheet, 'time', one)
  if (mend.show) return undefined
  const part = mend.part as PartName
  return offFor(sheet, part, one.parts[part].own ? one : undefined)
}

/** What a mend does, in words: times as the reader reads them. */
export function mendWords(mend: Mend): string {
  const times = mend.times ?? []
  if (times.length === 0) return mend.words
  if (times.length <= 2)
    return `${mend.words}: ${times.map((one) => `${one.name} at ${wallClock(one.wall)}`).join(', ')}`
  const walls = times.map((one) => one.wall).sort()
  return `${mend.words}: ${times.length} channels, ${wallClock(walls[0]!)} to ${wallClock(walls[walls.length - 1]!)}`
}

/** The same finding of several channels is one line. */
export interface Line {
  code: string
  level: string
  sentence: string
  channels: string[]
  one: Adaptation
  mend: Mend | null
}

export function linesOf(checked: { one: Adaptation; checks: Schemas['Finding'][] }[]): Line[] {
  const lines = new Map<string, Line>()
  for (const { one, checks } of checked) {
    for (const check of checks) {
      const key = `${check.code}:${check.sentence}`
      const line = lines.get(key)
      if (line) line.channels.push(one.channel.name)
      else
        lines.set(key, {
          code: check.code,
          level: check.level,
          sentence: check.sentence,
          channels: [one.channel.name],
          one,
          mend: check.mend ?? null,
        })
    }
  }
  return [...lines.values()].sort((a, b) => Number(b.level === 'fault') - Number(a.level === 'fault'))
}
