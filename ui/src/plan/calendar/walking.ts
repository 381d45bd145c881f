// Where the keys are in a grid of the plan: the cell that has the focus, and the ones beside it.
import { computed, nextTick, ref, watch, type Ref } from 'vue'
import type { Period } from './period'
import { idOf, placeOf, stepFrom, type View } from './place'

interface Grid {
  /** how the cells lie */
  view: Ref<View>
  days: Ref<Period['weeks'][number]['days']>
  channels: Ref<string[]>
  /** wall time there */
  now: Ref<string>
  day: Ref<string>
  /** shows the period that has a day */
  show: (day: string) => void
  /** whether a line is held, which then moves instead of the focus */
  held: () => string | undefined
  over: (place: string) => void
  /** the columns that it can go to */
  reach: Ref<string[]>
}

export const cellAt = (place: string) =>
  document.querySelector<HTMLElement>(`[data-place="${CSS.escape(place)}"]`) ?? undefined

export function useWalking({ view, days, channels, now, day, show, held, over, reach }: Grid) {
  const focused = ref('')
  const dayOf = (place: string) => placeOf(place).day
  const shows = (date: string) => days.value.some((one) => one.date === date)
  function fits(place: string) {
    const { hour, channel } = placeOf(place)
    if (view.value === 'week') return hour !== undefined
    return view.value === 'channels' ? channel !== undefined : hour === undefined && channel === undefined
  }
  /** The cell that Tab comes to. */
  const standing = computed(() => {
    if (focused.value && shows(dayOf(focused.value)) && fits(focused.value)) return focused.value
    const today = now.value.slice(0, 10)
    const date = shows(today) ? today : (days.value.find((one) => one.inside)?.date ?? day.value)
    if (view.value === 'week') return idOf({ day: date, hour: Number(now.value.slice(11, 13)) })
    if (view.value === 'channels') return idOf({ day: date, channel: channels.value[0] ?? '' })
    return date
  })
  /** The cell that the keys mean, also while its period is on its way. */
  const here = computed(() => (focused.value && fits(focused.value) ? focused.value : standing.value))

  async function go(dx: number, dy: number) {
    const next = stepFrom(view.value, held() ?? here.value, dx, dy, held() ? reach.value : channels.value)
    if (!shows(dayOf(next))) show(dayOf(next))
    if (held()) return over(next)
    focused.value = next
    await nextTick()
    cellAt(next)?.focus()
  }
  // a period that was gone to by the keys has its cell to stand on once it is there
  watch(days, async () => {
    await nextTick()
    if (!held() && focused.value && document.activeElement === document.body) cellAt(focused.value)?.focus()
  })
  return { focused, standing, here, go }
}
