// What of the plan is shown, by the address: how it looks, which days, narrowed to what.
import { useNow } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { Client } from './plan'
import { readerZone, wallAt } from '@/api/time'
import { useTogetherInAddress } from '@/parts/address'
import { KINDS, narrowingOf } from './filter'
import { DAY, spansOn, type Span } from './period'
import type { View } from './place'

export const VIEWS: { value: View; label: string }[] = [
  { value: 'month', label: 'Month' },
  { value: 'week', label: 'Week' },
  { value: 'channels', label: 'Channels' },
  { value: 'wall', label: 'Wall' },
  { value: 'year', label: 'Year' },
  { value: 'list', label: 'List' },
]
const AHEAD: { value: Span; label: string }[] = [
  { value: '30', label: '30 days' },
  { value: '60', label: '60 days' },
  { value: '90', label: '90 days' },
]
/** How much each view can show; the first if nothing is said. */
export const SPANS: Record<View, { value: Span; label: string }[]> = {
  month: [{ value: 'month', label: 'one month' }, ...AHEAD],
  week: [{ value: 'week', label: 'one week' }],
  channels: [{ value: 'week', label: 'one week' }, { value: 'month', label: 'one month' }, ...AHEAD],
  list: [{ value: 'month', label: 'one month' }, ...AHEAD],
  wall: [{ value: 'month', label: 'one month' }],
  year: [
    { value: 'year', label: 'one year' },
    { value: 'quarter', label: 'one quarter' },
  ],
}

/** @param serverNow what the clock of the server said when the reader's own facts were fetched */
export function useShowing(workspace: Ref<Client | undefined>, serverNow: Ref<string | undefined>) {
  const { values: address, set } = useTogetherInAddress(['view', 'day', 'span', 'all', 'wall', 'each', ...KINDS])
  // the clock of the server is not the browser's, and goes on
  const present = useNow({ interval: 60_000 })
  const began = Date.now()
  const ahead = computed(() => (serverNow.value ? Date.parse(serverNow.value) - began : 0))
  const zone = computed(() => workspace.value?.zone ?? readerZone())
  const now = computed(() => wallAt(new Date(present.value.getTime() + ahead.value).toISOString(), zone.value))
  const today = computed(() => now.value.slice(0, 10))

  const view = computed<View>(() => VIEWS.find((one) => one.value === address.value.view)?.value ?? 'month')
  const day = computed(() => (DAY.test(address.value.day) ? address.value.day : today.value))
  const span = computed<Span>(() => {
    const offered = SPANS[view.value]
    return offered.find((one) => one.value === address.value.span)?.value ?? offered[0]!.value
  })
  const each = computed(() => address.value.each === 'yes')
  const hidden = computed(() => address.value.all !== 'yes')
  const narrowing = computed(() => narrowingOf(address.value, !!workspace.value))
  const wall = computed(() => address.value.wall)
  const turn = (by: number) => set({ day: spansOn(span.value, day.value, by) })
  const clear = () => set(Object.fromEntries(KINDS.map((kind) => [kind, ''])))
  return { set, clear, turn, now, today, view, day, span, each, hidden, narrowing, wall }
}
