// What the plan shows: of whom, which days and how they look, by the address, with everything that stands there.
import { computed } from 'vue'
import { useChosen } from '@/agency/me'
import { calendarDay, monthYear } from '@/api/time'
import { inWords, offers, useChoices } from './filter'
import { useList } from './list'
import { byChannel, monthsOn, usePeriod, type PlanDay } from './period'
import { useShowing } from './showing'
import { useYear } from './year'

export function useShown() {
  const { id, workspace, workspaces, me } = useChosen()
  const { set, clear, turn, now, today, view, day, span, each, hidden, narrowing, wall } = useShowing(
    workspace,
    computed(() => me.value?.now),
  )
  const { data: choices } = useChoices(id)
  const offered = computed(() => offers(choices.value, !!id.value))
  const { data: period, error: failed } = usePeriod(
    computed(() => ({
      workspace: id.value,
      span: span.value,
      day: day.value,
      narrowing: narrowing.value,
      hidden: hidden.value,
    })),
    computed(() => view.value !== 'year'),
  )
  const yearly = useYear(
    computed(() => ({
      workspace: id.value,
      year: day.value.slice(0, 4),
      narrowing: narrowing.value,
      hidden: hidden.value,
    })),
    computed(() => view.value === 'year'),
  )
  const year = yearly.data
  const months = computed(() => {
    const first = span.value === 'quarter' ? Math.floor((Number(day.value.slice(5, 7)) - 1) / 3) * 3 : 0
    const from = `${day.value.slice(0, 4)}-01-01`
    return Array.from({ length: span.value === 'quarter' ? 3 : 12 }, (_, at) => monthsOn(from, first + at).slice(0, 7))
  })
  const off = computed(() => choices.value?.channels.filter((one) => one.off).length ?? 0)
  const narrowed = computed(() => inWords(narrowing.value, offered.value))

  const splits = computed(() => each.value && (view.value === 'month' || view.value === 'week'))
  const data = computed(() => {
    if (view.value === 'year' || !period.value) return undefined
    return splits.value ? { ...period.value, lines: byChannel(period.value.lines) } : period.value
  })
  const error = computed(() => (view.value === 'year' ? yearly.error.value : failed.value))
  const heading = computed(() => {
    if (view.value === 'wall') return 'Wall'
    if (span.value === 'month') return monthYear(day.value.slice(0, 7))
    if (span.value === 'year') return day.value.slice(0, 4)
    if (span.value === 'quarter')
      return `${day.value.slice(0, 4)}, quarter ${Math.ceil(Number(day.value.slice(5, 7)) / 3)}`
    if (span.value !== 'week') return `${span.value} days`
    const number = data.value?.weeks[0]?.number
    return number === undefined ? 'Week' : `Week ${number}`
  })
  const inside = computed<[string, string]>(() => {
    const all = days.value.filter((one) => one.inside)
    return [all[0]?.date ?? day.value, all[all.length - 1]?.date ?? day.value]
  })
  const days = computed(() => data.value?.weeks.flatMap((week) => week.days) ?? [])
  const dates = computed(() => {
    const [first, last] = [days.value[0], days.value[days.value.length - 1]]
    return ['week', '30', '60', '90'].includes(span.value) && first && last
      ? `${calendarDay(first.date)} to ${calendarDay(last.date)}`
      : ''
  })

  const listed = useList(
    computed(() => ({
      workspace: id.value,
      days: inside.value,
      narrowing: narrowing.value,
      hidden: hidden.value,
    })),
    computed(() => view.value === 'list' && days.value.length > 0),
  )
  const facts = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one])))
  const clientOf = (one: string) => (workspace.value ? undefined : facts.value[one])
  const offOn = (one: PlanDay) =>
    one.off
      .map((holiday) =>
        workspace.value || holiday.workspace_ids.length === workspaces.value.length
          ? holiday.name
          : `${holiday.name} (${holiday.workspace_ids.map((client) => facts.value[client]?.name).join(', ')})`,
      )
      .join(', ')
  // columns of the channels: over all clients those on which something goes out
  const channels = computed(() => {
    const used = new Set(data.value?.lines.flatMap((line) => line.channels.map((one) => one.id)))
    const chosen = narrowing.value.channels?.split(',')
    const order = workspaces.value.map((one) => one.id)
    const all = [...(choices.value?.channels ?? [])].sort(
      (one, other) => order.indexOf(one.workspace_id) - order.indexOf(other.workspace_id),
    )
    return all.filter((one) =>
      chosen ? chosen.includes(one.id) : used.has(one.id) || (!!id.value && !(one.off && hidden.value)),
    )
  })

  const columns = computed(() => channels.value.map((one) => one.id))
  const note = computed(() => {
    const month = day.value.slice(0, 7)
    const found = data.value?.notes.find((one) => one.month === month)
    return workspace.value && view.value !== 'wall' && span.value === 'month' && data.value?.period === month
      ? { month, note: found?.note ?? '', version: found?.version ?? 0 }
      : undefined
  })
  const names = computed(() => Object.fromEntries(workspaces.value.map((one) => [one.id, one.name])))
  return {
    ...{ id, workspace, workspaces, me, facts, names, clientOf, offOn },
    ...{ set, clear, turn, now, today, view, day, span, each, hidden, narrowing, wall },
    ...{ choices, offered, off, narrowed, channels, columns },
    ...{ data, year, months, listed, error, heading, inside, days, dates, note },
  }
}
export type Shown = ReturnType<typeof useShown>
