// A line of the plan on its way to another place: by pointer, by touch or by keys. What it would do is asked from the
// server before it is dropped; what was done can be undone.
import { message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { shallowRef, type Ref } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { plannedWall } from '@/api/time'
import { titled } from '@/api/words'
import { offerUndo } from '@/parts/undo'
import { moveShown, type Time } from './period'
import { laterBy, minutesBetween, wallIn } from './place'

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
}
export type Moving = { held: Held; place: string; cost: Schemas['MoveCost'] | null; problem: string | null }

const ASK_AFTER = 120

export function timeOn(held: Held, place: string): Time {
  const wall = wallIn(place, held.at)
  if (held.time && held.at) return laterBy(held.time, minutesBetween(held.at, wall))
  return { wall: `${wall}:00`, zone: held.zone }
}

/** @param workspace the client that is shown; undefined for all of mine */
export function useMoving(workspace: () => string | undefined) {
  const queries = useQueryClient()
  const moving: Ref<Moving | null> = shallowRef(null)
  let asked = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  const same = (held: Held, place: string) => held.at !== null && wallIn(place, held.at) === held.at.slice(0, 16)
  const path = (held: Held) => ({ path: { workspace: held.workspace_id, post: held.post_id } })

  function pick(held: Held, place: string) {
    moving.value = { held, place, cost: null, problem: null }
    ask()
  }

  function over(place: string) {
    if (!moving.value || moving.value.place === place) return
    moving.value = { ...moving.value, place, cost: null, problem: null }
    ask()
  }

  function ask() {
    const { held, place } = moving.value!
    const mine = (asked += 1)
    clearTimeout(timer)
    if (same(held, place)) return
    timer = setTimeout(() => void answer(held, place, mine), ASK_AFTER)
  }

  async function answer(held: Held, place: string, mine: number) {
    let said: Pick<Moving, 'cost' | 'problem'>
    try {
      const body = { channels: held.channels, time: timeOn(held, place) }
      said = {
        cost: await ok(api.POST('/api/w/{workspace}/posts/{post}/move-cost', { params: path(held), body })),
        problem: null,
      }
    } catch (error) {
      said = { cost: null, problem: sentence(error) }
    }
    if (mine === asked && moving.value) moving.value = { ...moving.value, ...said }
  }

  function leave() {
    asked += 1
    clearTimeout(timer)
    moving.value = null
  }

  /** @returns whether it was moved */
  async function drop(): Promise<boolean> {
    const now = moving.value
    leave()
    if (!now || same(now.held, now.place)) return false
    if (now.cost?.refused) {
      void message.warning(now.cost.refused, 8)
      return false
    }
    const time = timeOn(now.held, now.place)
    const words = `“${titled(now.held.subject)}” is planned for ${plannedWall(time)}.`
    return put(now.held, time, () => offerUndo(words, () => void put(back(now.held, time), now.held.time)))
  }

  const back = (held: Held, time: Time): Held => ({ ...held, time, at: time.wall.slice(0, 16) })

  async function put(held: Held, time: Time | null, done?: () => void) {
    if (held.time && time) moveShown(queries, workspace(), held, minutesBetween(held.time.wall, time.wall), time)
    try {
      const body = { channels: held.channels, from: held.time, time }
      await ok(api.POST('/api/w/{workspace}/posts/{post}/move', { params: path(held), body }))
      done?.()
      return true
    } catch (error) {
      void message.error(sentence(error), 8)
      return false
    } finally {
      await queries.invalidateQueries({ queryKey: ['plan'] })
    }
  }

  return { moving, pick, over, drop, leave }
}
