// The ways in which what is held can go to another place: its line to another time, one of its channels to another
// channel, or with all that are chosen to another day. Each says before what it does, shows it at once, and goes back.
import type { QueryClient } from '@tanstack/vue-query'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { plannedWall } from '@/api/time'
import { counted, titled } from '@/api/words'
import { moveShown, rechannelShown, shiftShown, type Time } from '@/plan/calendar/period'
import { laterBy, minutesBetween, placeOf, wallIn } from '@/plan/calendar/place'
import { notBack } from '@/plan/bulk/several-words'
import { lookAt, type reasons, run, takeBack, undoing, type Chosen, type One, type Order } from '@/plan/bulk/several'

/** What is held. time, at and place: null out of the tray, where nothing is planned yet. */
export type Held = {
  workspace_id: string
  post_id: string
  subject: string
  channels: string[]
  time: Time | null
  /** wall time in the view's zone */
  at: string | null
  /** the cell that it stands in */
  place: string | null
  zone: string
  /** all that are chosen, itself among them */
  also?: Chosen
}
export type Channel = Pick<Schemas['PlanChannel'], 'id' | 'network' | 'initials' | 'name'>
export interface Look {
  cost?: Schemas['MoveCost']
  several?: One[]
}
export interface Move {
  /** to where, and from where */
  words: [string, string]
  /** @param signal gives it up: it is held over another place */
  look: (signal?: AbortSignal) => Promise<Look>
  /** as if it were done */
  show: (queries: QueryClient, workspace: string | undefined) => void
  /** @returns what is said after it, and the way back if there is one */
  make: () => Promise<{ said: string; back?: () => Promise<unknown> }>
}

export function timeOn(held: Held, place: string): Time {
  const wall = wallIn(place, held.at)
  if (held.time && held.at) return laterBy(held.time, minutesBetween(held.at, wall))
  return { wall: `${wall}:00`, zone: held.zone }
}

/** @returns undefined where it stands already */
export function moveTo(held: Held, place: string, channel: (id: string) => Channel | undefined): Move | undefined {
  if (held.also && held.at) return together(held.also, held.at, place)
  const [from, to] = [placeOf(held.place ?? '').channel, placeOf(place).channel]
  const onto = to !== undefined && from !== undefined && from !== to ? channel(to) : undefined
  if (onto && held.time) return elsewhere(held, held.time, from!, onto, timeOn(held, place))
  const same = held.at !== null && wallIn(place, held.at) === held.at.slice(0, 16)
  return same ? undefined : later(held, timeOn(held, place))
}

const path = (held: Pick<Held, 'workspace_id' | 'post_id'>) => ({
  path: { workspace: held.workspace_id, post: held.post_id },
})
const fromWords = (held: Held) => (held.time ? `from ${plannedWall(held.time)}` : 'its first time')

function later(held: Held, time: Time): Move {
  const put = (from: Time | null, to: Time | null) => {
    const body = { channels: held.channels, from, time: to }
    return ok(api.POST('/api/w/{workspace}/posts/{post}/move', { params: path(held), body }))
  }
  return {
    words: [plannedWall(time), fromWords(held)],
    look: async (signal) => {
      const body = { channels: held.channels, time }
      return {
        cost: await ok(api.POST('/api/w/{workspace}/posts/{post}/move-cost', { params: path(held), body, signal })),
      }
    },
    show: (queries, workspace) => {
      if (held.time) moveShown(queries, workspace, held, minutesBetween(held.time.wall, time.wall), time)
    },
    make: async () => {
      const { unreleased } = await put(held.time, time)
      const said = `“${titled(held.subject)}” is planned for ${plannedWall(time)}.`
      return {
        said: after(said, unreleased),
        back: () => put(time, held.time).then(() => releaseAgain(held, unreleased)),
      }
    },
  }
}

function elsewhere(held: Held, was: Time, from: string, onto: Channel, time: Time): Move {
  const put = (body: Schemas['ChannelChange']) =>
    ok(api.POST('/api/w/{workspace}/posts/{post}/change-channel', { params: path(held), body }))
  const body = { from, to: onto.id, seen: was, time }
  return {
    words: [`${onto.name}, ${plannedWall(time)}`, fromWords(held)],
    look: async (signal) => ({
      cost: await ok(api.POST('/api/w/{workspace}/posts/{post}/channel-cost', { params: path(held), body, signal })),
    }),
    show: (queries, workspace) =>
      rechannelShown(queries, workspace, held.post_id, from, onto, minutesBetween(was.wall, time.wall), time),
    make: async () => {
      // what has its yeses is locked and stays on its channel: no release ends by it
      await put(body)
      const said = `“${titled(held.subject)}” goes out on ${onto.name} instead, ${plannedWall(time)}.`
      return { said, back: () => put({ from: onto.id, to: from, seen: time, time: was }) }
    },
  }
}

const after = (said: string, unreleased: string[]) =>
  unreleased.length > 0 ? `${said} It is not released any more.` : said

/** Releases what lost its release. @returns what came of it, where there was something to release */
export async function releaseAgain(
  held: Pick<Held, 'workspace_id' | 'post_id' | 'subject'>,
  unreleased: string[],
): Promise<string | undefined> {
  if (unreleased.length === 0) return undefined
  const params = path(held)
  const body = { adaptation_ids: unreleased }
  const back = `“${titled(held.subject)}” is back at its time`
  try {
    await ok(api.POST('/api/w/{workspace}/posts/{post}/release', { params, body }))
    return `${back}, and released again.`
  } catch (problem) {
    return `${back}, but not released: ${sentence(problem)}`
  }
}

/** What of several could not go back, in words, if anything. */
const leftWhere = (stayed: ReturnType<typeof reasons>) => (stayed.length > 0 ? notBack(stayed) : undefined)

/** By days alone: each keeps its hour. */
function together(posts: Chosen, at: string, place: string): Move | undefined {
  const day = (wall: string) => `${wall.slice(0, 10)}T00:00`
  const days = minutesBetween(day(at), day(place)) / 1_440
  if (days === 0) return undefined
  const order: Order = { kind: 'move', posts, days }
  const far = `${counted(Math.abs(days), 'day', 'days')} ${days > 0 ? 'later' : 'earlier'}`
  return {
    words: [`${counted(posts.size, 'post', 'posts')}, ${far}`, 'each at its hour'],
    look: async (signal) => ({ several: await lookAt(order, undefined, signal) }),
    show: (queries, workspace) => shiftShown(queries, workspace, new Set(posts.keys()), days),
    make: async () => {
      const { found, later: goesOn } = await run(order)
      const did = found.filter((one) => one.done).length
      const stayed = found.length - did
      const said = `${counted(did, 'post is', 'posts are')} moved.${stayed > 0 ? ` ${stayed} could not be.` : ''}`
      const back = undoing(order, found)
      // what goes on by itself says so under the masthead
      if (goesOn.length > 0 && found.length === 0) return { said: '' }
      return back.length > 0 ? { said, back: () => takeBack(back).then(({ stayed }) => leftWhere(stayed)) } : { said }
    },
  }
}
