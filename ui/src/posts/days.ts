// The days around a planned time: which are off, and what goes out on each.
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { api, ok, type Schemas } from '@/api/client'

export type Day = Schemas['PlanDay']

const DAY = 86_400_000
const at = (day: string) => new Date(`${day.slice(0, 10)}T00:00:00Z`)
const iso = (time: number) => new Date(time).toISOString().slice(0, 10)

/** The first and the last day of the weeks that a month touches. @param starts 1 for Monday, 0 for Sunday */
export function span(day: string, starts: number): [string, string] {
  const first = Date.UTC(at(day).getUTCFullYear(), at(day).getUTCMonth(), 1)
  const last = Date.UTC(at(day).getUTCFullYear(), at(day).getUTCMonth() + 1, 0)
  const back = (new Date(first).getUTCDay() - starts + 7) % 7
  const on = 6 - ((new Date(last).getUTCDay() - starts + 7) % 7)
  return [iso(first - back * DAY), iso(last + on * DAY)]
}

/** The week's number by ISO 8601: that of its Thursday. */
export function week(day: string): number {
  const thursday = at(day).getTime() + (4 - (at(day).getUTCDay() || 7)) * DAY
  return Math.ceil(((thursday - Date.UTC(new Date(thursday).getUTCFullYear(), 0, 1)) / DAY + 1) / 7)
}

export function weeks(days: Day[]): Day[][] {
  return Array.from({ length: Math.ceil(days.length / 7) }, (_, row) => days.slice(row * 7, row * 7 + 7))
}

/** @param month any day of it, '' for none */
export function useDays(workspace: string, month: Ref<string>, starts: Ref<number>) {
  const between = computed(() => (month.value === '' ? ['', ''] : span(month.value, starts.value)))
  return useQuery({
    queryKey: ['days', workspace, between],
    queryFn: () =>
      ok(
        api.GET('/api/w/{workspace}/days', {
          params: { path: { workspace }, query: { from: between.value[0]!, to: between.value[1]! } },
        }),
      ),
    enabled: computed(() => month.value !== ''),
    placeholderData: keepPreviousData,
  })
}
