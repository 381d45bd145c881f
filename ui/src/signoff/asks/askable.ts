// What of a post can be asked for now. A channel with a fault in the way waits; the others need not wait for it.
import type { Sheet } from '@/posts/sheet'

type Facts = Pick<Sheet, 'next_ask' | 'adaptations' | 'can'>

/** The faults in the way of each channel, in sentences; channels without any are left out. */
export function inTheWay(sheet: Pick<Sheet, 'adaptations'>): Record<string, string> {
  const found = sheet.adaptations.map(
    (one) =>
      [
        one.channel.id,
        one.proof.checks.filter((check) => check.level === 'fault').map((check) => check.sentence),
      ] as const,
  )
  return Object.fromEntries(
    found.filter(([, sentences]) => sentences.length > 0).map(([id, sentences]) => [id, sentences.join(' ')]),
  )
}

/** Why nothing can be asked; undefined when something can. */
export function askOff(sheet: Facts): string | undefined {
  if (!sheet.next_ask) return 'Nothing is to be asked now.'
  if (!sheet.can.ask?.ok) return sheet.can.ask?.why ?? 'Your role here cannot send asks.'
  if (sheet.next_ask.off) return sheet.next_ask.off
  const faults = inTheWay(sheet)
  if (sheet.next_ask.channels.some((one) => !faults[one.id])) return undefined
  return sheet.next_ask.channels.map((one) => `${one.name}: ${faults[one.id]}`).join(' ')
}
