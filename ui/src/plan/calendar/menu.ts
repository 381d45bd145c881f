// What is done less often with the plan, under one button: each with its words, why it is off, and what it does.
import { computed, type Ref } from 'vue'
import { useRouter } from 'vue-router'
import { calendarDay } from '@/api/time'
import { counted } from '@/api/words'
import type { useAskDays } from './ask-days'
import type { Dialog } from './dialogs'
import type { Shown } from './shown'

interface Entry {
  key: string
  words: string
  off?: string
  run: () => unknown
}
type May = { ok: boolean; why?: string } | undefined
const why = (may: May) => (may?.ok ? undefined : (may?.why ?? 'Not here.'))

/** @param open opens a dialog @param dateHere begins a key date where the keys are */
export function useMenu(
  shown: Shown,
  asks: ReturnType<typeof useAskDays>,
  open: (dialog: Dialog) => void,
  dateHere: () => void,
): { more: Ref<Entry[]>; choose: (key: string) => void } {
  const router = useRouter()
  const here = computed(() => shown.workspace.value)
  const marks = computed(() => shown.data.value?.marks.length ?? 0)
  const go = (name: string) => void router.push({ name, params: { workspace: shown.id.value } })
  const { view, span, day, each } = shown

  function asking(): Entry[] {
    const { ofDay, ofWeek, askDay, askWeek } = asks
    const dayWords = `${calendarDay(askDay.value, { weekday: true })}: ${counted(ofDay.value.size, 'post', 'posts')}`
    const weekWords = `${calendarDay(askWeek.value)}: ${ofWeek.value.size} posts`
    return [
      ...when(ofDay.value.size > 0, {
        key: 'ask-day',
        words: `Ask for ${dayWords} … (Q)`,
        run: () => open({ dialog: 'ask', posts: ofDay.value }),
      }),
      ...when(ofWeek.value.size > ofDay.value.size, {
        key: 'ask-week',
        words: `Ask for the week of ${weekWords} … (W)`,
        run: () => open({ dialog: 'ask', posts: ofWeek.value }),
      }),
    ]
  }
  function marking(): Entry[] {
    const one = here.value
    const dates = why(one?.can.plan_dates)
    return [
      ...when(one, { key: 'date', words: 'Key date or other work …', off: dates, run: dateHere }),
      ...when(span.value === 'week' && one?.can.pencil?.ok && marks.value > 0, {
        key: 'copy',
        words: `Copy ${counted(marks.value, 'mark', 'marks')} onto other weeks …`,
        run: () => open({ dialog: 'copy' }),
      }),
      ...when(one, {
        key: 'fixtures',
        words: 'Fixtures …',
        run: () => open({ dialog: 'fixtures', workspace: one!.id }),
      }),
      ...when(one && view.value === 'year', {
        key: 'carry',
        words: `Carry ${day.value.slice(0, 4)} over to the next year …`,
        off: dates,
        run: () => open({ dialog: 'carry' }),
      }),
    ]
  }
  function beside(): Entry[] {
    const one = here.value
    const query = shown.id.value ? { client: shown.id.value } : {}
    return [
      { key: 'campaigns', words: 'Campaigns', run: () => void router.push({ name: 'campaigns', query }) },
      ...when(one, { key: 'labels', words: 'Labels and mix', run: () => go('labels') }),
      ...when(one, {
        key: 'client-plan',
        words: 'As the client sees it, and plan links',
        run: () => go('client-plan'),
      }),
      ...when(one && shown.days.value.length > 0, {
        key: 'balance',
        words: 'Balance of these days …',
        run: () => open({ dialog: 'balance' }),
      }),
      ...when(view.value === 'month' || view.value === 'week', {
        key: 'each',
        words: each.value ? 'A post as one line' : 'A line for each channel',
        run: () => shown.set({ each: each.value ? '' : 'yes' }),
      }),
      { key: 'networks', words: 'What networks take', run: () => void router.push({ name: 'networks' }) },
      ...when(shown.data.value, { key: 'export', words: 'Export …', run: () => open({ dialog: 'export' }) }),
    ]
  }
  const more = computed(() => [...asking(), ...marking(), ...beside()])
  return { more, choose: (key) => void more.value.find((one) => one.key === key)?.run() }
}
const when = (holds: unknown, entry: Entry) => (holds ? [entry] : [])
