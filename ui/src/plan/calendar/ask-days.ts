// Asking for all of a day or of its week at once: of the day where the focus is or last was, on a cell or on a line in
// it.
import { computed, ref } from 'vue'
import { postsOf, weekStart } from '@/plan/bulk/picking'
import { daysOn } from './period'
import { placeOf } from './place'
import type { Shown } from './shown'

/** @param here the cell that the keys mean */
export function useAskDays(shown: Shown, here: () => string) {
  const touched = ref('')
  function touch(event: FocusEvent) {
    const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-place]')
    if (cell) touched.value = placeOf(cell.dataset.place ?? '').day
  }
  const askDay = computed(() =>
    shown.days.value.some((one) => one.date === touched.value) ? touched.value : placeOf(here()).day,
  )
  const askWeek = computed(() => weekStart(askDay.value, shown.workspace.value?.week_start ?? 1))
  const lines = computed(() => shown.data.value?.lines ?? [])
  const ofDay = computed(() => postsOf(lines.value, askDay.value, askDay.value))
  const ofWeek = computed(() => postsOf(lines.value, askWeek.value, daysOn(askWeek.value, 6)))
  return { touch, askDay, askWeek, ofDay, ofWeek }
}
