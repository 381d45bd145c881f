// Something of the plan on its way to another place: by pointer, by touch or by keys. What it would do is asked from the
// server before it is dropped; what was done can be undone.
import { message } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { shallowRef, type Ref } from 'vue'
import { sentence, type Schemas } from '@/api/client'
import { offerUndo } from '@/parts/undo'
import { moveTo, type Channel, type Held, type Move } from './moves'
import type { One } from '@/plan/bulk/several'

export type { Held } from './moves'
export type Moving = {
  held: Held
  place: string
  /** undefined: where it stands already */
  move?: Move
  cost: Schemas['MoveCost'] | null
  /** of several, what comes of each */
  several?: One[]
  problem: string | null
}
const ASK_AFTER = 120

/** @param workspace the client that is shown; undefined for all of mine */
export function useMoving(workspace: () => string | undefined, channel: (id: string) => Channel | undefined) {
  const queries = useQueryClient()
  const moving: Ref<Moving | null> = shallowRef(null)
  let asked = new AbortController()
  let timer: ReturnType<typeof setTimeout> | undefined

  function pick(held: Held, place: string) {
    moving.value = { held, place, move: moveTo(held, place, channel), cost: null, problem: null }
    ask()
  }
  function over(place: string) {
    if (moving.value && moving.value.place !== place) pick(moving.value.held, place)
  }

  function ask() {
    const { move } = moving.value!
    const mine = giveUp()
    clearTimeout(timer)
    if (move) timer = setTimeout(() => void answer(move, mine), ASK_AFTER)
  }
  async function answer(move: Move, mine: AbortController) {
    let said: Pick<Moving, 'cost' | 'several' | 'problem'>
    try {
      const { cost, several } = await move.look(mine.signal)
      said = { cost: cost ?? null, several, problem: null }
    } catch (error) {
      said = { cost: null, problem: sentence(error) }
    }
    if (mine === asked && moving.value) moving.value = { ...moving.value, ...said }
  }

  /** What was asked for the place before is not wanted any more. */
  function giveUp() {
    asked.abort()
    return (asked = new AbortController())
  }
  function leave() {
    giveUp()
    clearTimeout(timer)
    moving.value = null
  }

  /** @returns whether it was moved */
  async function drop(): Promise<boolean> {
    const now = moving.value
    leave()
    if (!now?.move) return false
    if (now.cost?.refused) {
      void message.warning(now.cost.refused, 8)
      return false
    }
    now.move.show(queries, workspace())
    return during(async () => {
      const { said, back } = await now.move!.make()
      if (back) offerUndo(said, () => undone(back))
      else if (said) void message.info(said, 8)
    })
  }

  async function undone(back: () => Promise<unknown>) {
    let words: unknown
    const done = await during(async () => (words = await back()))
    return done && (typeof words === 'string' ? words : true)
  }

  async function during(act: () => Promise<unknown>) {
    try {
      await act()
      return true
    } catch (error) {
      void message.error(sentence(error), 8)
      return false
    } finally {
      for (const key of ['plan', 'batches']) await queries.invalidateQueries({ queryKey: [key] })
    }
  }

  return { moving, pick, over, drop, leave }
}
