// A month or a week of the plan: what is fetched, and the ones beside it ahead of time.
import { useQuery, useQueryClient, type QueryClient } from '@tanstack/vue-query'
import { computed, watch, type Ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import type { Narrowing } from './filter'
import { laterBy } from './place'

export type Period = Schemas['PlanPeriod']
export type PlanDay = Schemas['MonthDay']
export type Line = Schemas['PlanLine']
export type Time = { wall: string; zone: string }
/** How much is shown at once: days ahead by their number. */
export type Span = 'month' | 'week' | '30' | '60' | '90' | 'year' | 'quarter'

export const DAY = /^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/

/** The same day of a month further on, or the last one that it has. */
export function monthsOn(day: string, by: number): string {
  const first = new Date(`${day.slice(0, 7)}-01T00:00:00Z`)
  first.setUTCMonth(first.getUTCMonth() + by)
  const month = first.toISOString().slice(0, 7)
  const last = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate()
  return `${month}-${String(Math.min(Number(day.slice(8)), last)).padStart(2, '0')}`
}

export function daysOn(day: string, by: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + by * 86_400_000).toISOString().slice(0, 10)
}

const MONTHS: Partial<Record<Span, number>> = { month: 1, quarter: 3, year: 12 }
const DAYS: Partial<Record<Span, number>> = { week: 7, '30': 30, '60': 60, '90': 90 }
export function spansOn(span: Span, day: string, by: number): string {
  const months = MONTHS[span]
  return months ? monthsOn(day, months * by) : daysOn(day, (DAYS[span] ?? 7) * by)
}

/** A line for each channel; those of a post that go out at one time are still moved together. */
export type Split = Line & { together?: string[] }
export function byChannel(lines: Line[]): Split[] {
  return lines.flatMap((line) =>
    line.channels.length < 2
      ? [line]
      : line.channels.map((one) => ({ ...line, channels: [one], together: line.channels.map(({ id }) => id) })),
  )
}

/** Lines by the cell that they stand in. */
export function byCell(lines: Line[], cellOf: (line: Line) => string[]): Map<string, Line[]> {
  const cells = new Map<string, Line[]>()
  for (const line of lines)
    for (const cell of cellOf(line)) {
      const there = cells.get(cell)
      if (there) there.push(line)
      else cells.set(cell, [line])
    }
  return cells
}

export const keyOf = (line: Line) => `${line.post_id} ${line.channels.map((one) => one.id).join(' ')}`

type Asked = { workspace?: string; span: Span; day: string; narrowing: Narrowing; hidden: boolean }
const nameOf = ({ span, day }: Asked) => (span === 'month' ? day.slice(0, 7) : day)
const keyFor = (asked: Asked) => ['plan', asked.workspace, asked.span, nameOf(asked), asked.narrowing, asked.hidden]

function fetchPeriod(asked: Asked): Promise<Period> {
  const narrowed = {
    workspace: asked.workspace,
    ...asked.narrowing,
    switched_off: asked.hidden ? ('hidden' as const) : undefined,
  }
  if (asked.span === 'month')
    return ok(api.GET('/api/plan/month', { params: { query: { ...narrowed, month: nameOf(asked) } } }))
  if (asked.span === 'week')
    return ok(api.GET('/api/plan/week', { params: { query: { ...narrowed, day: asked.day } } }))
  const days = Number(asked.span) as 30 | 60 | 90
  return ok(api.GET('/api/plan/ahead', { params: { query: { ...narrowed, from: asked.day, days } } }))
}

/**
 * @param asked what is shown; a week is asked for by its first day, so that each of its days finds it
 * @param wanted whether days are shown at all
 */
export function usePeriod(asked: Ref<Asked>, wanted: Ref<boolean>) {
  const queries = useQueryClient()
  const found = useQuery({
    queryKey: computed(() => keyFor(asked.value)),
    queryFn: () => fetchPeriod(asked.value),
    enabled: wanted,
    placeholderData: (before: Period | undefined) => before,
  })
  // going through the periods does not wait
  watch(
    () => found.data.value?.period,
    (shown) => {
      for (const by of shown && wanted.value ? [1, -1] : []) {
        const beside = { ...asked.value, day: spansOn(asked.value.span, asked.value.day, by) }
        void queries.prefetchQuery({
          queryKey: keyFor(beside),
          queryFn: () => fetchPeriod(beside),
          staleTime: 30_000,
        })
      }
    },
    { immediate: true },
  )
  return found
}

type Shown = Pick<Line, 'post_id' | 'wall' | 'time' | 'channels'>
/** Changes lines in what is shown, until the server says how they stand. */
function change<T extends Shown>(queries: QueryClient, workspace: string | undefined, how: (line: T) => T[]) {
  queries.setQueriesData<{ lines: T[] }>({ queryKey: ['plan', workspace] }, (shown) =>
    shown && 'lines' in shown ? { ...shown, lines: shown.lines.flatMap(how) } : shown,
  )
}
const later = (wall: string, minutes: number) => laterBy({ wall: `${wall}:00`, zone: '' }, minutes).wall.slice(0, 16)

/** Puts a line at another time. */
export function moveShown(
  queries: QueryClient,
  workspace: string | undefined,
  moved: { post_id: string; channels: string[] },
  minutes: number,
  time: Time,
) {
  const its = (line: Line) =>
    line.post_id === moved.post_id && line.channels.map((one) => one.id).join() === moved.channels.join()
  change<Line>(queries, workspace, (line) =>
    its(line) ? [{ ...line, wall: later(line.wall, minutes), time }] : [line],
  )
}

/** Puts all lines of some posts on other days. */
export function shiftShown(queries: QueryClient, workspace: string | undefined, posts: Set<string>, days: number) {
  change<Line>(queries, workspace, (line) =>
    posts.has(line.post_id)
      ? [{ ...line, wall: later(line.wall, days * 1_440), time: line.time && laterBy(line.time, days * 1_440) }]
      : [line],
  )
}

/** Puts one channel of a line at another time, as another channel. */
export function rechannelShown(
  queries: QueryClient,
  workspace: string | undefined,
  post: string,
  from: string,
  onto: Line['channels'][number],
  minutes: number,
  time: Time,
) {
  change<Line>(queries, workspace, (line) => {
    if (line.post_id !== post || !line.channels.some((one) => one.id === from)) return [line]
    const stay = line.channels.filter((one) => one.id !== from)
    const gone = { ...line, wall: later(line.wall, minutes), time, channels: [onto] }
    return stay.length > 0 ? [{ ...line, channels: stay }, gone] : [gone]
  })
}
