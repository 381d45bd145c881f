// Which parts of a channel, or of the master, stand as lines of their own: what is its own, what says something that
// the proof does not show, and what is being changed. The others fold into one line.
import type { Adaptation, PartName, Sheet } from './sheet'
import { ROWS, offered, type Row } from './writable'

const SHOWN_IN_PROOF: PartName[] = ['link', 'tagged', 'first_comment', 'call_to_action', 'event']

export interface Folded {
  part: PartName
  label: string
}

const empty = (value: unknown) =>
  value == null || value === '' || (typeof value === 'object' && Object.keys(value as object).length === 0)

/** Whether a line has something to say that is not seen anyway. */
export function speaks(part: PartName, one: Adaptation): boolean {
  return !empty(one.parts[part].value) && !SHOWN_IN_PROOF.includes(part)
}

/** The lines of one channel that stand. */
export function standing(one: Adaptation, opened: ReadonlySet<PartName>): Row[] {
  return ROWS.filter(
    (row) => offered(row.part, one) && (one.parts[row.part].own || opened.has(row.part) || speaks(row.part, one)),
  )
}

/** The parts of a channel that follow the master without a line. */
export function folded(one: Adaptation, opened: ReadonlySet<PartName>): Folded[] {
  const stand = standing(one, opened).map((row) => row.part)
  const around: Folded[] = [
    { part: 'text', label: 'Text' },
    { part: 'media', label: 'Media' },
    { part: 'time', label: 'Time' },
  ]
  return [
    ...around.filter(({ part }) => !one.parts[part].own && !opened.has(part)),
    ...ROWS.filter((row) => offered(row.part, one) && !stand.includes(row.part)),
  ].map(({ part, label }) => ({ part, label }))
}

const rowsOf = (sheet: Sheet) =>
  ROWS.filter((row) => row.part === 'link' || sheet.adaptations.some((one) => offered(row.part, one)))

/** The master's lines that stand: what says something, and what is being changed. */
export function masterStanding(sheet: Sheet, opened: ReadonlySet<PartName>): Row[] {
  return rowsOf(sheet).filter((row) => !empty(sheet.master.parts[row.part].value) || opened.has(row.part))
}

export function masterFolded(sheet: Sheet, opened: ReadonlySet<PartName>): Folded[] {
  const stand = masterStanding(sheet, opened)
  return rowsOf(sheet).filter((row) => !stand.includes(row))
}
