// What is proposed for the pace of a client: said in a sentence, looked at before, taken, and taken back.
import { api, ok, type Schemas } from '@/api/client'
import { calendarDay, plannedWall, wallClock } from '@/api/time'
import { counted, list, titled } from '@/api/words'
import { moveTo, type Move } from '@/plan/moving/moves'

export type Proposal = Schemas['PaceProposal']
const WHY: Record<Proposal['kind'], string> = {
  close: 'Too close to another',
  full: 'More than that day may have',
  gap: 'A long time without a post',
  few: 'A week with too few',
  flood: 'The same words on several channels at once',
  repeat: 'Nearly the same went out there less than 30 days before',
}

export function inWords(one: Proposal): { why: string; does: string } {
  const why = `${WHY[one.kind]}, ${one.channel.name}`
  if (one.day) return { why, does: `Keep ${calendarDay(one.day)} free for something.` }
  const what = `“${titled(one.subject ?? '')}”`
  if (one.to && one.from) return { why, does: `Move ${what} from ${plannedWall(one.from)} to ${plannedWall(one.to)}.` }
  const times = one.times.map((time) => `${time.name} ${wallClock(time.wall)}`)
  return { why: WHY[one.kind], does: `Spread ${what} out: ${list(times)}.` }
}
export const keyOf = (one: Proposal) => [one.kind, one.post_id, one.channel.id, one.day].join(' ')

function moveOf(workspace: string, one: Proposal): Move | undefined {
  if (!one.post_id || !one.from || !one.to) return undefined
  const held = {
    workspace_id: workspace,
    post_id: one.post_id,
    subject: one.subject ?? '',
    channels: one.channels,
    time: one.from,
    at: one.from.wall.slice(0, 16),
    place: null,
    zone: one.from.zone,
  }
  return moveTo(held, one.to.wall.slice(0, 16), () => undefined)
}

/** @returns what it would do, in sentences; nothing for what costs nothing */
export async function lookAt(workspace: string, one: Proposal): Promise<string[]> {
  const cost = (await moveOf(workspace, one)?.look())?.cost
  if (!cost) return []
  if (cost.refused) return [cost.refused]
  return [
    ...(cost.off ? [`It falls on ${cost.off}.`] : []),
    ...cost.costs.flatMap((of) => of.costs.map((words) => `${of.channel}: ${words}`)),
    ...cost.warnings.map((of) => `${of.channel}: ${of.sentence}`),
  ]
}

/** @returns what was done, in words, and the way back */
export async function take(workspace: string, one: Proposal): Promise<{ said: string; back: () => Promise<unknown> }> {
  const move = moveOf(workspace, one)
  if (move) {
    const { said, back } = await move.make()
    return { said, back: back! }
  }
  if (one.day) return keep(workspace, one.day, one.channel)
  const body = { times: one.times.map(({ channel_id, wall }) => ({ channel_id, wall })) }
  const path = { workspace, post: one.post_id! }
  await ok(api.POST('/api/w/{workspace}/posts/{post}/spread-out', { params: { path }, body }))
  const back = async () => {
    for (const { channel_id, wall } of one.times) {
      const from = { wall: `${wall}:00`, zone: one.from!.zone }
      const put = { channels: [channel_id], from, time: one.from! }
      await ok(api.POST('/api/w/{workspace}/posts/{post}/move', { params: { path }, body: put }))
    }
  }
  return {
    said: `“${titled(one.subject ?? '')}” is spread out over ${counted(one.times.length, 'channel', 'channels')}.`,
    back,
  }
}

async function keep(workspace: string, day: string, channel: Proposal['channel']) {
  const cell = { day, channel_id: channel.id }
  const put = (body: { put: (typeof cell & { word: string })[]; erase: (typeof cell)[] }) =>
    ok(api.PUT('/api/w/{workspace}/plan/marks', { params: { path: { workspace } }, body }))
  await put({ put: [{ ...cell, word: '' }], erase: [] })
  return {
    said: `${calendarDay(day)} is kept free on ${channel.name}.`,
    back: () => put({ put: [], erase: [cell] }),
  }
}
