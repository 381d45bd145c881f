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

/** A page of a document or a moment of a video, in words. */
export const placeWords = (pin: { kind?: string; page?: number; ms?: number }) =>
  pin.kind === 'page' ? `page ${pin.page}` : `at ${clock(pin.ms ?? 0)}`
/** Minutes and seconds, with tenths where there are any. */
export function clock(ms: number): string {
  const tenths = Math.round(ms / 100)
  const seconds = (tenths % 600) / 10
  const two = Number.isInteger(seconds) ? String(seconds).padStart(2, '0') : seconds.toFixed(1).padStart(4, '0')
  return `${Math.floor(tenths / 600)}:${two}`
}
export interface FilePin {
  id: string
  number: number
  room: Remark['room']
  picture: number
  words: string
}
export function filePins(sheet: Sheet, one: Adaptation): FilePin[] {
  const known = numbers(sheet.remarks)
  return sheet.remarks.flatMap((remark) => {
    const { pin } = remark
    const number = known.get(remark.id)
    if (!number || !pin || !['page', 'moment'].includes(pin.kind) || pin.adaptation_id !== one.id) return []
    const picture = one.proof.pictures.findIndex((file) => file.media_id === pin.media_id)
    return picture < 0 ? [] : [{ id: remark.id, number, room: remark.room, picture, words: placeWords(pin) }]
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
