// Pencil marks in the grids of the plan: where each stands, and writing them into cells. They belong to one client.
import { computed, nextTick, type Ref } from 'vue'
import { useSelecting } from '@/plan/bulk/selecting'
import { usePencil, type Mark } from '@/plan/marks/pencil'
import { idOf, placeOf, type View } from './place'
import type { Shown } from './shown'
import { cellAt, type useWalking } from './walking'

/** @param view how the cells lie @param held whether a line is held @param openMark begins a mark on a day */
export function usePencilling(
  shown: Shown,
  walks: ReturnType<typeof useWalking>,
  view: Ref<View>,
  held: () => boolean,
  openMark: (day: string) => void,
) {
  const pencil = usePencil(shown.id, shown.data, shown.choices)
  const mayPencil = computed(() => !!shown.workspace.value?.can.pencil?.ok)
  const sheet = useSelecting({
    days: computed(() => shown.days.value.map((one) => one.date)),
    channels: shown.columns,
    focused: walks.focused,
    may: computed(() => mayPencil.value && view.value === 'channels'),
    at: pencil.at,
    apply: pencil.apply,
  })
  const marksIn = computed(() => {
    const by = new Map<string, Mark[]>()
    for (const mark of shown.data.value?.marks ?? []) {
      const cell = cellOf(mark)
      by.set(cell, [...(by.get(cell) ?? []), mark])
    }
    return by
  })
  function cellOf(mark: Mark) {
    if (view.value === 'channels') return idOf({ day: mark.day, channel: mark.channel_id })
    if (view.value === 'week' && mark.clock) return idOf({ day: mark.day, hour: Number(mark.clock.slice(0, 2)) })
    return mark.day
  }
  /** @returns whether something was opened to write into */
  function pencilHere(): boolean {
    if (!mayPencil.value || held()) return false
    if (view.value === 'channels') sheet.begin(walks.here.value)
    else openMark(placeOf(walks.here.value).day)
    return true
  }
  function written(word: string, way: 'down' | 'right' | undefined) {
    const place = sheet.typing.value
    sheet.commit(word)
    walks.focused.value = place
    if (way) void walks.go(way === 'right' ? 1 : 0, way === 'down' ? 1 : 0)
  }
  function unwritten() {
    const place = sheet.typing.value
    sheet.typing.value = ''
    void nextTick(() => cellAt(place)?.focus())
  }
  return { pencil, sheet, marksIn: (place: string) => marksIn.value.get(place) ?? [], pencilHere, written, unwritten }
}
