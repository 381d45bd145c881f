// One click that mends a finding: saves another value for the part where it lives, or goes to the place where it is mended.
import { api, ok, type Schemas } from '@/api/client'
import type { Adaptation, PartName, Sheet } from './sheet'
import { seenOf } from './writable'

type Mend = NonNullable<Schemas['Finding']['mend']>

export async function applyMend(sheet: Sheet, one: Adaptation, mend: Mend): Promise<void> {
  const part = mend.part as PartName
  const own = one.parts[part].own
  await ok(
    api.PUT('/api/w/{workspace}/posts/{post}/parts/{part}', {
      params: {
        path: { workspace: sheet.workspace_id, post: sheet.id, part },
        query: { channel: own ? one.channel.id : undefined },
        header: { 'If-Match': `"${seenOf(sheet, part, own ? one : undefined).version}"` },
      },
      body: { value: mend.value as never },
    }),
  )
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
      else lines.set(key, { code: check.code, level: check.level, sentence: check.sentence, channels: [one.channel.name], one, mend: check.mend ?? null })
    }
  }
  return [...lines.values()].sort((a, b) => Number(b.level === 'fault') - Number(a.level === 'fault'))
}
