// Where talk points at: what the composer has picked on a proof, and which remarks stand where on it now.
import { inject, provide, ref, type InjectionKey, type Ref } from 'vue'
import type { Schemas } from '@/api/client'
import type { Adaptation, Sheet } from '@/posts/sheet'

export type Pin = NonNullable<Schemas['WrittenPin']>
type Remark = Sheet['remarks'][number]
/** What was picked, with the channel that it was picked on. */
export type Picked = Pin & { channel: string }
export interface WordPin {
  id: string
  number: number
  room: Remark['room']
  start: number
  length: number
}
export interface SpotPin {
  id: string
  number: number
  room: Remark['room']
  picture: number
  x: number
  y: number
  width: number
  height: number
}

interface Pins {
  picked: Ref<Picked | undefined>
  /** the remark that is being looked at */
  active: Ref<string | undefined>
}
const KEY: InjectionKey<Pins> = Symbol('pins')
const fresh = (): Pins => ({ picked: ref(), active: ref() })
export function providePins(): Pins {
  const pins = fresh()
  provide(KEY, pins)
  return pins
}
export const usePins = () => inject(KEY, fresh, true)

const isOpen = (one: Remark) => one.thread_id === null && !one.settled && !one.deleted
/** Open remarks that point at something carry a number, the same beside the proof and in talk. */
export function numbers(remarks: Remark[]): Map<string, number> {
  const pinned = remarks.filter((one) => isOpen(one) && one.pin && !one.pin.gone)
  return new Map(pinned.map((one, index) => [one.id, index + 1]))
}

export function wordPins(sheet: Sheet, one: Adaptation): WordPin[] {
  const known = numbers(sheet.remarks)
  return sheet.remarks.flatMap((remark) => {
    const { pin } = remark
    const number = known.get(remark.id)
    if (!number || pin?.kind !== 'words' || pin.adaptation_id !== one.id || pin.start == null) return []
    return [{ id: remark.id, number, room: remark.room, start: pin.start, length: Array.from(pin.exact ?? '').length }]
  })
}
export function spotPins(sheet: Sheet, one: Adaptation): SpotPin[] {
  const known = numbers(sheet.remarks)
  return sheet.remarks.flatMap((remark) => {
    const { pin } = remark
    const number = known.get(remark.id)
    if (!number || pin?.kind !== 'spot' || pin.adaptation_id !== one.id) return []
    const picture = one.proof.pictures.findIndex((file) => file.media_id === pin.media_id)
    if (picture < 0) return []
    const { x = 0, y = 0, width = 0, height = 0 } = pin
    return [{ id: remark.id, number, room: remark.room, picture, x, y, width, height }]
  })
}

/** A text in runs, cut where pins begin and end. */
export interface Run {
  from: number
  words: string
  pin?: WordPin
}
export function runsOf(points: string[], from: number, to: number, pins: WordPin[]): Run[] {
  const edges = new Set([from, to])
  for (const pin of pins)
    for (const edge of [pin.start, pin.start + pin.length]) if (edge > from && edge < to) edges.add(edge)
  const cuts = [...edges].sort((one, other) => one - other)
  return cuts.slice(0, -1).map((start, index) => ({
    from: start,
    words: points.slice(start, cuts[index + 1]).join(''),
    pin: pins.find((pin) => start >= pin.start && start < pin.start + pin.length),
  }))
}

const AROUND = 32
/** What of a proof's words is selected: with what stands around it, so that it is found again. */
export function selectedIn(root: HTMLElement, text: string): Pick<Pin, 'exact' | 'prefix' | 'suffix'> | undefined {
  const selection = window.getSelection()
  if (!selection || selection.isCollapsed || selection.rangeCount === 0) return undefined
  const range = selection.getRangeAt(0)
  if (!root.contains(range.startContainer) || !root.contains(range.endContainer)) return undefined
  const from = pointOf(range.startContainer, range.startOffset)
  const to = pointOf(range.endContainer, range.endOffset)
  if (from === undefined || to === undefined || to <= from) return undefined
  const points = Array.from(text)
  const exact = points.slice(from, to).join('')
  if (exact.trim() === '') return undefined
  return {
    exact,
    prefix: points.slice(Math.max(0, from - AROUND), from).join(''),
    suffix: points.slice(to, to + AROUND).join(''),
  }
}
// The character of the text that a place in the page stands for: each run says where it begins.
function pointOf(node: Node, offset: number): number | undefined {
  const run = (node instanceof Element ? node : node.parentElement)?.closest<HTMLElement>('[data-from]')
  if (!run) return undefined
  const before = document.createRange()
  before.setStart(run, 0)
  before.setEnd(node, offset)
  return Number(run.dataset.from) + Array.from(before.toString()).length
}
