// What of the plan is held, to be taken to another time: a line of it, one of its channels, or all that are chosen.
import { computed, nextTick } from 'vue'
import { keysOn } from '@/parts/keys'
import type { usePicking } from '@/plan/bulk/picking'
import { startDrag } from '@/plan/moving/drag'
import { useMoving, type Held } from '@/plan/moving/moving'
import type { Row } from './list'
import type { Period, Split } from './period'
import { idOf, placeOf } from './place'
import type { Shown } from './shown'
import { cellAt } from './walking'

/** @param standing the cell that Tab comes to */
export function useHolding(shown: Shown, picking: ReturnType<typeof usePicking>, standing: () => string) {
  const { moving, pick, over, drop, leave } = useMoving(
    () => shown.id.value,
    (column) => shown.channels.value.find((one) => one.id === column),
  )
  const ofLine = (line: Split, place: string): Held => ({
    workspace_id: line.workspace_id,
    post_id: line.post_id,
    subject: line.subject,
    channels: line.together ?? line.channels.map((one) => one.id),
    time: line.time,
    at: line.wall,
    place,
    zone: shown.data.value!.zone,
  })
  const ofTray = (post: Period['tray']['posts'][number]): Held => ({
    workspace_id: post.workspace_id,
    post_id: post.id,
    subject: post.subject,
    channels: [],
    time: null,
    at: null,
    place: null,
    zone: shown.facts.value[post.workspace_id]?.zone ?? shown.data.value!.zone,
  })
  function retime(row: Row) {
    const held = { ...row, subject: row.subject, channels: row.channels.map((one) => one.id) }
    const place = row.wall
    pick({ ...held, at: row.wall, place }, place)
  }
  /** The columns that what is held can go to: its own, and channels of its client that its line is not on. */
  const reach = computed(() => {
    const held = moving.value?.held
    const { channel: column } = placeOf(held?.place ?? '')
    if (!held || column === undefined) return shown.columns.value
    if (held.also || column === '') return [column]
    const may = (one: { id: string; workspace_id: string }) =>
      one.id === column || (one.workspace_id === held.workspace_id && !held.channels.includes(one.id))
    return shown.channels.value.filter(may).map((one) => one.id)
  })
  function overOwn(place: string) {
    const { channel: column } = placeOf(moving.value?.held.place ?? '')
    if (shown.view.value !== 'channels' || column === undefined) return over(place)
    const { day: onto, channel } = placeOf(place)
    over(reach.value.includes(channel ?? '') ? place : idOf({ day: onto, channel: column }))
  }
  /** With one of those that are chosen all of them are held. */
  function pickUp(held: Held) {
    const also =
      picking.picked.value.size > 1 && picking.picked.value.has(held.post_id)
        ? new Map(picking.picked.value)
        : undefined
    pick({ ...held, also }, held.place ?? standing())
  }
  async function putDown() {
    const several = !!moving.value?.held.also
    if ((await drop()) && several) picking.clear()
  }
  const grab = (event: PointerEvent, held: Held) =>
    startDrag(event, { pick: () => pickUp(held), over: overOwn, drop: () => void putDown(), leave })
  function take(held: Held) {
    if (keysOn()) pickUp(held)
  }
  /** Puts it down where it is held, and gives the focus to it there. */
  async function enter(event: KeyboardEvent) {
    if (!moving.value) return
    event.preventDefault()
    const { held, place } = moving.value
    await putDown()
    await nextTick()
    const line = [...(cellAt(place)?.querySelectorAll<HTMLElement>('a') ?? [])].find((one) =>
      one.getAttribute('href')?.includes(held.post_id),
    )
    line?.focus()
  }
  return { moving, over, drop, leave, reach, overOwn, ofLine, ofTray, retime, enter, grab, take }
}
