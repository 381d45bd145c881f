// The keys of the plan, as its help names them.
import type { View } from './place'

type Key = [keys: string, does: string]
const CELLS: Key[] = [
  ['Enter', 'write into the cell; Enter again goes down, Tab to the right'],
  ['Shift ← ↑ → ↓', 'choose cells'],
  ['Ctrl D, Ctrl R', 'fill down, fill right'],
  ['Ctrl C, Ctrl V', 'copy and paste, also from a sheet'],
  ['Delete', 'erase marks'],
]
export const keysOf = (view: View): Key[] => [
  ['← ↑ → ↓', 'next and previous day, hour, channel'],
  ['Tab', 'the posts of a day'],
  ['M', 'move the post that has the focus: arrows, then Enter'],
  ['Page up, Page down', 'next and previous month, week, year'],
  ['T', 'today'],
  ['F', 'narrow what is shown'],
  ['X, A', 'choose the post that has the focus, choose all: then do one thing with them'],
  ['Q, W', 'ask for the day that has the focus, for its week'],
  ['P', 'pencil: something should go out here'],
  ['D', 'a key date, or other work of these days'],
  ...(view === 'channels' ? CELLS : []),
  ['N', 'new post'],
]
