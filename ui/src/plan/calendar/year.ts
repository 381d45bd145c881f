// A year at a glance: what is fetched, and how its days lie as rows of months.
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, watch, type Ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import type { Narrowing } from './filter'
import { daysOn } from './period'

export type Year = Schemas['PlanYear']
export type Running = Year['campaigns'][number]
type Asked = { workspace?: string; year: string; narrowing: Narrowing; hidden: boolean }
const keyFor = (asked: Asked) => ['plan', asked.workspace, 'year', asked.year, asked.narrowing, asked.hidden]
const fetchYear = ({ workspace, year, narrowing, hidden }: Asked) =>
  ok(
    api.GET('/api/plan/year', {
      params: { query: { workspace, year, ...narrowing, switched_off: hidden ? 'hidden' : undefined } },
    }),
  )

export function useYear(asked: Ref<Asked>, wanted: Ref<boolean>) {
  const queries = useQueryClient()
  const found = useQuery({
    queryKey: computed(() => keyFor(asked.value)),
    queryFn: () => fetchYear(asked.value),
    enabled: wanted,
    placeholderData: (before: Year | undefined) => before,
  })
  watch(
    () => found.data.value?.year,
    (shown) => {
      if (!shown || !wanted.value) return
      const beside = { ...asked.value, year: String(shown + 1) }
      void queries.prefetchQuery({ queryKey: keyFor(beside), queryFn: () => fetchYear(beside), staleTime: 30_000 })
    },
    { immediate: true },
  )
  return found
}

/** Columns of a row: days of up to six weeks, each under its weekday. */
export const COLUMNS = 37

/** The column, from 0, in which a month's first day stands. */
export function firstColumn(month: string, weekStart: number): number {
  return (new Date(`${month}-01T00:00:00Z`).getUTCDay() - weekStart + 7) % 7
}

export function daysOfMonth(month: string): string[] {
  const [year, at] = month.split('-').map(Number) as [number, number]
  const count = new Date(Date.UTC(year, at, 0)).getUTCDate()
  return Array.from({ length: count }, (_, n) => daysOn(`${month}-01`, n))
}

/** The part of something that lasts which lies in a month: its first and last day there; nothing where it is not. */
export function inMonth(one: { first: string; last: string }, month: string): [string, string] | undefined {
  const days = daysOfMonth(month)
  const [first, last] = [days[0]!, days[days.length - 1]!]
  if (one.last < first || one.first > last) return undefined
  return [one.first < first ? first : one.first, one.last > last ? last : one.last]
}

/** Bars under a row, so that no two of one lane overlap. */
export function lanes(running: Running[], month: string): { one: Running; from: string; to: string; lane: number }[] {
  const ends: string[] = []
  return running.flatMap((one) => {
    const part = inMonth(one, month)
    if (!part) return []
    const free = ends.findIndex((end) => end < part[0])
    const lane = free < 0 ? ends.length : free
    ends[lane] = part[1]
    return [{ one, from: part[0], to: part[1], lane }]
  })
}

/**
 * Stretches in which nothing goes out, between the first and the last day on which something does.
 * @param least days that a stretch must have to be one
 */
export function gaps(days: string[], least: number): { from: string; to: string; days: number }[] {
  return days.slice(1).flatMap((day, at) => {
    const before = days[at]!
    const between = Math.round((Date.parse(day) - Date.parse(before)) / 86_400_000) - 1
    return between >= least ? [{ from: daysOn(before, 1), to: daysOn(day, -1), days: between }] : []
  })
}
