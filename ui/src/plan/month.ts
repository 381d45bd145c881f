// A month of the plan: what is fetched, and the months beside it ahead of time.
import { useQuery, useQueryClient, type QueryClient } from '@tanstack/vue-query'
import { watch, type Ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'

export type Month = Schemas['PlanMonth']
export type MonthDay = Schemas['MonthDay']
export type Line = Schemas['PlanLine']
export type Time = { wall: string; zone: string }

export const MONTH = /^\d{4}-(0[1-9]|1[0-2])$/

/** "2026-10" and a number of months on: "2026-12". */
export function monthsOn(month: string, by: number): string {
  const day = new Date(`${month}-01T00:00:00Z`)
  day.setUTCMonth(day.getUTCMonth() + by)
  return day.toISOString().slice(0, 7)
}

/** Days from one to another, such as 2026-10-14; less than 0 when the other is before. */
export function daysBetween(from: string, to: string): number {
  return Math.round((Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000)
}

export function daysOn(day: string, by: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + by * 86_400_000).toISOString().slice(0, 10)
}

/** The same hour of another day, in its own zone. */
export function laterBy(time: Time, days: number): Time {
  return { ...time, wall: `${daysOn(time.wall.slice(0, 10), days)}${time.wall.slice(10)}` }
}

export function byDay(lines: Line[]): Map<string, Line[]> {
  const days = new Map<string, Line[]>()
  for (const line of lines) {
    const day = line.wall.slice(0, 10)
    days.set(day, [...(days.get(day) ?? []), line])
  }
  return days
}

export const keyOf = (line: Line) => `${line.post_id} ${line.channels.map((one) => one.id).join(' ')}`

const key = (workspace: string | undefined, month: string) => ['plan', workspace, month]
const fetchMonth = (workspace: string | undefined, month: string) =>
  ok(api.GET('/api/plan/month', { params: { query: { workspace, month } } }))

export function useMonth(workspace: Ref<string | undefined>, month: Ref<string>) {
  const queries = useQueryClient()
  const found = useQuery({
    queryKey: ['plan', workspace, month],
    queryFn: () => fetchMonth(workspace.value, month.value),
    placeholderData: (before: Month | undefined) => before,
  })
  // going through months does not wait
  watch(
    () => found.data.value?.month,
    (shown) => {
      for (const beside of shown ? [monthsOn(shown, 1), monthsOn(shown, -1)] : [])
        void queries.prefetchQuery({
          queryKey: key(workspace.value, beside),
          queryFn: () => fetchMonth(workspace.value, beside),
          staleTime: 30_000,
        })
    },
    { immediate: true },
  )
  return found
}

/** Puts a line on another day in what is shown, until the server says how it stands. */
export function moveShown(
  queries: QueryClient,
  workspace: string | undefined,
  month: string,
  moved: { post_id: string; channels: string[]; time: Time | null },
  days: number,
  time: Time,
) {
  queries.setQueryData<Month>(key(workspace, month), (shown) =>
    shown
      ? {
          ...shown,
          lines: shown.lines.map((line) =>
            line.post_id === moved.post_id && line.channels.map((one) => one.id).join() === moved.channels.join()
              ? { ...line, wall: laterBy({ wall: line.wall, zone: '' }, days).wall, time }
              : line,
          ),
        }
      : shown,
  )
}
