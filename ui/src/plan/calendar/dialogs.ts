// What lies over the plan: one thing at a time.
import type { Chosen } from '@/plan/bulk/several'
import type { KeyDate } from '@/plan/dates/key-dates'
import type { Mark } from '@/plan/marks/pencil'

export type Dialog =
  | { dialog: 'mark'; day: string; mark?: Mark }
  | { dialog: 'fixture-mark'; mark: Mark }
  | { dialog: 'fixtures'; workspace: string; fixture?: string }
  | { dialog: 'date'; day: string; date?: KeyDate }
  | { dialog: 'ask'; posts: Chosen }
  | { dialog: 'copy' }
  | { dialog: 'carry' }
  | { dialog: 'balance' }
  | { dialog: 'export' }
