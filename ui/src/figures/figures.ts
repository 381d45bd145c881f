// Figures of sign-off: which days they are of, and how numbers are said.
import { useQuery } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ok, type Schemas } from '@/api/client'
import { daysOn } from '@/plan/calendar/period'

export type Figures = Schemas['Figures']
export type Share = Schemas['FiguresShare']
export const PERIODS = [
  { days: 30, label: '30 days' },
  { days: 90, label: '90 days' },
  { days: 365, label: 'A year' },
] as const

/** The last days until today, as ISO dates. */
export function span(today: string, days: number): { from: string; to: string } {
  const to = today.slice(0, 10)
  return { from: daysOn(to, 1 - days), to }
}

/** Working hours, in steps that matter: minutes below an hour, halves below ten. */
export function hours(value: number | null): string {
  if (value === null) return '–'
  if (value < 1) return `${Math.round(value * 60)} min`
  return `${value < 10 ? Math.round(value * 2) / 2 : Math.round(value)} h`
}

/** A share with what it is of: 80 % of five is not 80 % of five hundred. */
export function share({ n, of }: Share): string {
  return of === 0 ? '–' : `${Math.round((n / of) * 100)} % of ${of}`
}

/** How dark a field of the clock is: the share of the fullest, in five steps. */
export function shade(count: number, most: number): number {
  return count === 0 || most === 0 ? 0 : Math.ceil((count / most) * 5)
}

/** The period lives in the address, so that a page can be sent to a colleague. */
export function usePeriod() {
  const route = useRoute()
  const router = useRouter()
  const days = computed({
    get: () => PERIODS.find((one) => String(one.days) === route.query.days)?.days ?? 90,
    set: (next: number) => void router.replace({ query: { ...route.query, days: String(next) } }),
  })
  return { days }
}

export function useFigures(
  workspace: Ref<string>,
  days: Ref<number>,
  now: Ref<string | undefined>,
  theirs: Ref<boolean>,
) {
  return useQuery({
    queryKey: ['figures', workspace, days, theirs],
    enabled: computed(() => now.value !== undefined),
    queryFn: () =>
      ok(
        api.GET('/api/w/{workspace}/figures', {
          params: {
            path: { workspace: workspace.value },
            query: { ...span(now.value!, days.value), as: theirs.value ? ('client' as const) : undefined },
          },
        }),
      ),
  })
}
