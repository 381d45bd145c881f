// Fixtures: what comes back by a rule; the rules that can be chosen, and what is kept.
import { message } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import type { Ref } from 'vue'
import { api, ok, sentence, type Schemas } from '@/api/client'
import { calendarDay } from '@/api/time'
import { offerUndo } from '@/parts/undo'

export type Fixture = Schemas['Fixture']
export type NewFixture = Schemas['NewFixture']

export const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const
const WORKING = 'MO,TU,WE,TH,FR'

/** How a rule is put together in the form. */
export interface Pattern {
  kind: 'week' | 'day' | 'nth' | 'working' | 'year' | 'own'
  every: number
  days: string[]
  /** of the month */
  date: number
  /** the first to the fourth, -1 the last */
  nth: number
  weekday: string
  text: string
}

export function ruleOf(pattern: Pattern): string {
  const every = pattern.every > 1 ? `;INTERVAL=${pattern.every}` : ''
  switch (pattern.kind) {
    case 'week':
      return `FREQ=WEEKLY${every};BYDAY=${pattern.days.join(',')}`
    case 'day':
      return `FREQ=MONTHLY${every};BYMONTHDAY=${pattern.date}`
    case 'nth':
      return `FREQ=MONTHLY${every};BYDAY=${pattern.nth}${pattern.weekday}`
    case 'working':
      return `FREQ=MONTHLY${every};BYDAY=${WORKING};BYSETPOS=${pattern.nth}`
    case 'year':
      return `FREQ=YEARLY${every}`
    default:
      return pattern.text.trim()
  }
}

/** @param day on which it begins, for what the rule does not say */
export function patternOf(rule: string, day: string): Pattern {
  const parts = Object.fromEntries(rule.split(';').map((pair) => pair.split('='))) as Record<string, string>
  const weekday = WEEKDAYS[(new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7]!
  const pattern: Pattern = {
    kind: 'own',
    every: Number(parts.INTERVAL ?? 1),
    days: [weekday],
    date: Number(day.slice(8)),
    nth: 1,
    weekday,
    text: rule,
  }
  const nth = /^(-?\d)(\w\w)$/.exec(parts.BYDAY ?? '')
  const found: Partial<Pattern>[] = [
    { kind: 'week', days: (parts.BYDAY ?? weekday).split(',') },
    { kind: 'day', date: Number(parts.BYMONTHDAY ?? pattern.date) },
    ...(nth ? [{ kind: 'nth' as const, nth: Number(nth[1]), weekday: nth[2]! }] : []),
    { kind: 'working', nth: Number(parts.BYSETPOS ?? 1) },
    { kind: 'year' },
  ]
  // the one whose rule it is, whatever order its parts have
  const sorted = (text: string) => text.split(';').sort().join(';')
  const same = found.find((one) => sorted(ruleOf({ ...pattern, ...one })) === sorted(rule))
  return { ...pattern, ...same }
}

export function useFixtures(workspace: Ref<string | undefined>) {
  return useQuery({
    queryKey: ['plan', workspace, 'fixtures'],
    queryFn: () =>
      ok(api.GET('/api/w/{workspace}/plan/fixtures', { params: { path: { workspace: workspace.value! } } })),
  })
}

export function useFixtureActs() {
  const queries = useQueryClient()
  const again = () => queries.invalidateQueries({ queryKey: ['plan'] })
  const say = (problem: unknown) => void message.error(sentence(problem), 8)

  /** @throws the problem, for the field that it names */
  async function save(workspace: string, body: NewFixture, fixture?: string) {
    await (fixture
      ? ok(api.PUT('/api/w/{workspace}/plan/fixtures/{fixture}', { params: { path: { workspace, fixture } }, body }))
      : ok(api.POST('/api/w/{workspace}/plan/fixtures', { params: { path: { workspace } }, body })))
    await again()
  }
  async function drop(workspace: string, fixture: string) {
    try {
      await ok(api.DELETE('/api/w/{workspace}/plan/fixtures/{fixture}', { params: { path: { workspace, fixture } } }))
    } catch (problem) {
      say(problem)
    }
    await again()
  }
  async function put(workspace: string, fixture: string, day: string, skipped: boolean) {
    try {
      await ok(
        api.POST('/api/w/{workspace}/plan/fixtures/{fixture}/skip', {
          params: { path: { workspace, fixture } },
          body: { day, skipped },
        }),
      )
      return true
    } catch (problem) {
      say(problem)
      return false
    } finally {
      await again()
    }
  }
  async function skip(workspace: string, fixture: string, day: string, word: string) {
    if (await put(workspace, fixture, day, true))
      offerUndo(`“${word}” is left out on ${calendarDay(day)}.`, () => void put(workspace, fixture, day, false))
  }
  const write = (workspace: string, fixture: string, day: string) =>
    ok(
      api.POST('/api/w/{workspace}/plan/fixtures/{fixture}/write', {
        params: { path: { workspace, fixture } },
        body: { day },
      }),
    ).finally(again)
  const back = (workspace: string, fixture: string, day: string) => put(workspace, fixture, day, false)
  return { save, drop, skip, back, write }
}
