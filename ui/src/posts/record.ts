// The record's acts in words.
import type { Schemas } from '@/api/client'
import { list } from '@/api/words'

type Facts = Record<string, unknown>

function text(value: unknown): string {
  if (typeof value === 'string') return `“${value.length > 90 ? `${value.slice(0, 90)}…` : value}”`
  if (Array.isArray(value)) return `${value.length} ${value.length === 1 ? 'picture' : 'pictures'}`
  if (value && typeof value === 'object' && 'wall' in value)
    return String((value as { wall: string }).wall)
      .replace('T', ' ')
      .slice(0, 16)
  return value == null ? 'nothing' : 'other values'
}
const channels = (facts: Facts) => list((facts.channels as string[] | undefined) ?? [])
const on = (facts: Facts) => (facts.channel ? ` on ${String(facts.channel)}` : '')

const PARTS: Record<string, string> = { media: 'pictures' }

const WORDS: Record<string, (facts: Facts) => string> = {
  post_made: () => 'made the post',
  post_named: (f) => `named it ${text(f.after)}`,
  part_saved: (f) => (f.part === 'descriptions' ? `described the pictures${on(f)}` : `changed the ${PARTS[String(f.part)] ?? String(f.part).replace('_', ' ')}${on(f)} to ${text(f.after)}`),
  part_follows: (f) => `set the ${String(f.part)}${on(f)} back to follow the master`,
  channel_added: (f) => `chose ${String(f.channel)}`,
  channel_removed: (f) => `took ${String(f.channel)} off`,
  revision_kept: (f) => `kept revision ${String(f.number)}`,
  asked: (f) => `asked for “${String(f.step)}” on ${channels(f)}`,
  answered: (f) => `${f.verdict === 'yes' ? 'said yes' : f.verdict === 'no' ? 'said no, not at all,' : 'wanted a change'} on ${channels(f)}${f.words ? `: ${text(f.words)}` : ''}`,
  ask_withdrawn: () => 'withdrew the ask',
  pass_revoked: (f) => `revoked the link of ${String(f.person)}`,
  opened: (f) => `opened it to change it${on(f)}`,
  closed: (f) => `closed it again${on(f)}`,
  released: (f) => `released it${on(f)} for ${text(f.time)}`,
  release_moved: (f) => `moved its release to ${text(f.time)}`,
  release_ended: (f) => `ended its release${on(f)}: ${String(f.why)}`,
  taken_back: (f) => `took its release back${on(f)}`,
  task_assigned: (f) => `gave ${text(f.title)} to ${String(f.person)}`,
  task_done: (f) => `finished ${text(f.title)}`,
  said: (f) => `said in the ${f.room === 'client' ? 'client' : 'house'} room: ${text(f.words)}`,
  sent: (f) => `sent it${on(f)}: ${String(f.address)}`,
  verified: (f) => (f.seen === 'same' ? 'looked at the network: it shows as approved' : `looked at the network: ${String(f.note)}`),
  trouble: (f) => `reported trouble${on(f)}: ${String(f.sentence)}`,
  settled: (f) => `decided after looking there: ${String(f.saw).replace('_', ' ')}`,
  step_skipped: (f) => `skipped “${String(f.step)}”: ${text(f.reason)}`,
  marked_ready: () => 'marked it ready',
}

export function said(row: Schemas['RecordRow']): string {
  return WORDS[row.act]?.(row.facts as Facts) ?? row.act.replaceAll('_', ' ')
}
