// Blocks of cells, as in a sheet: days down, channels across. Pure functions over names of cells (place.ts).
import { idOf, placeOf } from '@/plan/calendar/place'

/** What a mark says, without where it stands. */
export interface Said {
  clock: string | null
  word: string
  label_id: string | null
  /** the idea that it is for */
  idea_id?: string | null
}
export type NewMark = Said & { day: string; channel_id: string }
export type Block = (Said | null)[][]
/** What a change puts and what it erases. */
export interface Change {
  put: NewMark[]
  erase: { day: string; channel_id: string }[]
}
export const BARE: Said = { clock: null, word: '', label_id: null }

/** @returns rows of cells between two corners */
export function between(days: string[], channels: string[], one: string, other: string): string[][] {
  const [from, to] = [placeOf(one), placeOf(other)]
  const rows = slice(days, from.day, to.day)
  const columns = slice(channels, from.channel ?? '', to.channel ?? '')
  return rows.map((day) => columns.map((channel) => idOf({ day, channel })))
}

function slice(all: string[], one: string, other: string): string[] {
  const [from, to] = [all.indexOf(one), all.indexOf(other)].sort((a, b) => a - b) as [number, number]
  return from < 0 ? [] : all.slice(from, to + 1)
}

const cell = (id: string) => {
  const { day, channel } = placeOf(id)
  return { day, channel_id: channel ?? '' }
}
const kept = (id: string) => placeOf(id).channel !== '' // what has no channel yet has no cell to keep

/** The same said in every cell. */
export function fill(cells: string[][], said: Said): Change {
  return {
    put: cells
      .flat()
      .filter(kept)
      .map((id) => ({ ...said, ...cell(id) })),
    erase: [],
  }
}

export function erase(cells: string[][], at: (id: string) => Said | undefined): Change {
  return { put: [], erase: cells.flat().filter(at).map(cell) }
}

/** The first row again in every row below it; across, the first column in every one beside it. */
export function fillOn(cells: string[][], way: 'down' | 'right', at: (id: string) => Said | undefined): Change {
  const from = (row: number, column: number) => (way === 'down' ? cells[0]![column]! : cells[row]![0]!)
  const said = cells.map((ids, row) => ids.map((_, column) => at(from(row, column)) ?? null))
  // what is filled from stands already
  return way === 'down'
    ? write(cells.slice(1), said.slice(1))
    : write(
        cells.map((row) => row.slice(1)),
        said.map((row) => row.slice(1)),
      )
}

export function copy(cells: string[][], at: (id: string) => Said | undefined): Block {
  return cells.map((row) => row.map((id) => at(id) ?? null))
}

/** As a sheet takes it: words between tabs; a mark without a word is a dash. */
export function inText(block: Block): string {
  return block.map((row) => row.map((said) => (said ? said.word || '–' : '')).join('\t')).join('\n')
}

/** Out of a sheet: what is written in a cell is the word of its mark; an empty cell takes nothing away. */
export function fromText(rows: string[][]): Block {
  return rows.map((row) =>
    row.map((text) => {
      const word = text.replace(/\s+/g, ' ').trim()
      return word === '' ? null : { ...BARE, word: /^[–-]$/.test(word) ? '' : word.slice(0, 80) }
    }),
  )
}

/** Lays a block over the cells from one on. What is empty in it takes nothing away. */
export function lay(block: Block, days: string[], channels: string[], from: string) {
  const { day, channel } = placeOf(from)
  const [top, left] = [days.indexOf(day), channels.indexOf(channel ?? '')]
  const change: Change = { put: [], erase: [] }
  let outside = 0
  block.forEach((row, down) =>
    row.forEach((said, right) => {
      if (!said) return
      const [onDay, onChannel] = [days[top + down], channels[left + right]]
      if (!onDay || !onChannel) outside += 1
      else change.put.push({ ...said, day: onDay, channel_id: onChannel })
    }),
  )
  return { change, outside }
}

function write(cells: string[][], block: Block): Change {
  const change: Change = { put: [], erase: [] }
  cells.forEach((row, down) =>
    row.filter(kept).forEach((id, right) => {
      const said = block[down]![right]
      if (said) change.put.push({ ...said, ...cell(id) })
      else change.erase.push(cell(id))
    }),
  )
  return change
}

const same = (one: Said, other: Said) =>
  one.word === other.word &&
  one.clock === other.clock &&
  one.label_id === other.label_id &&
  (one.idea_id ?? null) === (other.idea_id ?? null)

/**
 * What a change came to, so that nothing is replaced or erased without a word.
 * @param before the marks that stood in its cells
 */
export function outcome(change: Change, before: NewMark[]): { put: number; replaced: number; erased: number } {
  const stood = (one: { day: string; channel_id: string }) =>
    before.find((mark) => mark.day === one.day && mark.channel_id === one.channel_id)
  const put = change.put.filter((one) => {
    const old = stood(one)
    return !old || !same(old, one)
  })
  return {
    put: put.length,
    replaced: put.filter(stood).length,
    erased: change.erase.filter(stood).length,
  }
}

/** Marks as they stand, some weeks later. */
export function weeksOn(marks: NewMark[], weeks: number[], shift: (day: string, days: number) => string): NewMark[] {
  return weeks.flatMap((week) => marks.map((mark) => ({ ...mark, day: shift(mark.day, 7 * week) })))
}
