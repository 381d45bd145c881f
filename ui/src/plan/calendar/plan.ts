// What the grids of the plan share with their cells.
import type { InjectionKey } from 'vue'
import { inject, provide } from 'vue'
import type { Schemas } from '@/api/client'
import type { KeyDate } from '@/plan/dates/key-dates'
import type { Line } from './period'
import type { Moving } from '@/plan/moving/moving'
import type { Mark } from '@/plan/marks/pencil'

export type Client = Schemas['Me']['workspaces'][number]
export interface PlanContext {
  moving: Moving | null
  /** the cell that Tab comes to */
  standing: string
  clientOf: (workspace: string) => Client | undefined
  focus: (place: string) => void
  grab: (event: PointerEvent, line: Line, place: string) => void
  take: (line: Line, place: string) => void
  /** its proof is shown beside it */
  look: (event: Event, line: Line) => void
  away: () => void
  /** posts that something is to be done with, all at once */
  picked: (post: string) => boolean
  pick: (workspace: string, post: string, wall?: string) => void
  /** pencil marks of a cell */
  marksIn: (place: string) => Mark[]
  openMark: (mark: Mark) => void
  /** key dates and other work of the days that are shown */
  dates: KeyDate[]
  openDate: (date: KeyDate) => void
  /** the cell that is written into */
  typing: string
  chosen: (place: string) => boolean
  write: (place: string) => void
  written: (word: string, way: 'down' | 'right' | undefined) => void
  leave: () => void
}

const KEY: InjectionKey<PlanContext> = Symbol('plan')
export const providePlan = (plan: PlanContext) => provide(KEY, plan)
export const usePlan = () => inject(KEY)!
