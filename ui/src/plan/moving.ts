// A line of the plan on its way to another day: by pointer, by touch or by keys. What it would do is asked from the
// server before it is dropped; what was done can be undone.
import { message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { shallowRef, type Ref } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { plannedWall } from '@/api/time'
import { titled } from '@/api/words'
import { offerUndo } from '@/parts/undo'
import { daysBetween, laterBy, moveShown, type Month, type Time } from './month'

/** What is held. time and day: null out of the tray, where nothing is planned yet. */
export type Held = {
  workspace_id: string
  post_id: string
  subject: string
  channels: string[]
  time: Time | null
  day: string | null
  zone: string
}
export type Moving = { held: Held; day: string; cost: Schemas['MoveCost'] | null; problem: string | null }

const NOON = 'T12:00:00'
const ASK_AFTER = 120

export function timeOn(held: Held, day: string): Time {
  if (held.time && held.day) return laterBy(held.time, daysBetween(held.day, day))
  return { wall: `${day}${NOON}`, zone: held.zone }
}

export function useMoving(shown: () => { workspace: string | undefined; month: Month | undefined }) {
  const queries = useQueryClient()
  const moving: Ref<Moving | null> = shallowRef(null)
  let asked = 0
  let timer: ReturnType<typeof setTimeout> | undefined

  const path = (held: Held) => ({ path: { workspace: held.workspace_id, post: held.post_id } })

  function pick(held: Held, day: string) {
    moving.value = { held, day, cost: null, problem: null }
    ask()
  }

  function over(day: string) {
    if (!moving.value || moving.value.day === day) return
    moving.value = { ...moving.value, day, cost: null, problem: null }
    ask()
  }

  function ask() {
    const { held, day } = moving.value!
    const mine = (asked += 1)
    clearTimeout(timer)
    if (held.day === day) return
    timer = setTimeout(() => void answer(held, day, mine), ASK_AFTER)
  }

  async function answer(held: Held, day: string, mine: number) {
    let said: Pick<Moving, 'cost' | 'problem'>
    try {
      const body = { channels: held.channels, time: timeOn(held, day) }
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
    if (!now || now.held.day === now.day) return false
    if (now.cost?.refused) {
      void message.warning(now.cost.refused, 8)
      return false
    }
    const time = timeOn(now.held, now.day)
    const words = `“${titled(now.held.subject)}” is planned for ${plannedWall(time)}.`
    return put(now.held, time, () => offerUndo(words, () => void put(back(now.held, time), now.held.time)))
  }

  const back = (held: Held, time: Time): Held => ({ ...held, time, day: time.wall.slice(0, 10) })

  async function put(held: Held, time: Time | null, done?: () => void) {
    const { workspace, month } = shown()
    if (held.time && time && month) {
      const days = daysBetween(held.time.wall.slice(0, 10), time.wall.slice(0, 10))
      moveShown(queries, workspace, month.month, held, days, time)
    }
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
