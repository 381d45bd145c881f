<script setup lang="ts">
// Hours down, days across. Hours in which nothing goes out are low; the night is there when something stands in it.
import { computed, onMounted, ref } from 'vue'
import { calendarDay, wallClock, weekdayOf } from '@/api/time'
import DayDates from '@/plan/dates/DayDates.vue'
import PlanCell from './PlanCell.vue'
import { byCell, type Period } from './period'
import { idOf } from './place'

const props = defineProps<{
  period: Period
  label: string
  now: string
  offOn: (day: Period['weeks'][number]['days'][number]) => string
}>()
const FIRST = 7
const LAST = 21
const days = computed(() => props.period.weeks[0]!.days)
const loose = computed(() => props.period.marks.filter((mark) => !mark.clock))
const shown = computed(() => [
  ...props.period.lines.map((line) => Number(line.wall.slice(11, 13))),
  ...props.period.marks.flatMap((mark) => (mark.clock ? [Number(mark.clock.slice(0, 2))] : [])),
])
const hours = computed(() => {
  const first = Math.min(FIRST, ...shown.value)
  const last = Math.max(LAST, ...shown.value)
  return Array.from({ length: last - first + 1 }, (_, at) => first + at)
})
const cell = (day: string, hour: number) => idOf({ day, hour })
const lines = computed(() =>
  byCell(props.period.lines, (line) => [cell(line.wall.slice(0, 10), Number(line.wall.slice(11, 13)))]),
)
const present = computed(() => cell(props.now.slice(0, 10), Number(props.now.slice(11, 13))))
const minute = computed(() => `${(Number(props.now.slice(14, 16)) / 60) * 100}%`)
const clock = (hour: number) => wallClock(`2000-01-01T${String(hour).padStart(2, '0')}:00`)
const mark = ref<HTMLElement[]>()
onMounted(() => mark.value?.[0]?.scrollIntoView({ block: 'nearest' }))
</script>

<template>
  <div class="hours" role="grid" :aria-label="label">
    <div class="row head" role="row">
      <span role="columnheader"><span class="hidden">Hour</span></span>
      <span
        v-for="day in days"
        :key="day.date"
        role="columnheader"
        class="day-name"
        :class="{ today: day.date === period.today }"
      >
        <b>{{ weekdayOf(day.date) }} {{ Number(day.date.slice(8)) }}</b>
        <span class="hidden">{{ calendarDay(day.date) }}</span>
        <span class="quiet">{{ [offOn(day), day.clock].filter(Boolean).join(', ') }}</span>
      </span>
    </div>
    <div v-if="loose.length > 0 || period.dates.length > 0" class="row" role="row">
      <span class="hour" role="rowheader">any hour</span>
      <PlanCell
        v-for="(day, index) in days"
        :key="day.date"
        :class="{ rests: !day.works, right: index > 3 }"
        :place="day.date"
        :lines="[]"
      >
        <DayDates :day="day.date" :named="index === 0" />
      </PlanCell>
    </div>
    <div v-for="hour in hours" :key="hour" class="row" role="row">
      <span class="hour" role="rowheader">{{ clock(hour) }}</span>
      <PlanCell
        v-for="(day, index) in days"
        :key="day.date"
        :class="{ rests: !day.works, right: index > 3, low: hour > hours[hours.length - 1]! - 5 }"
        :place="cell(day.date, hour)"
        :lines="lines.get(cell(day.date, hour)) ?? []"
      >
        <span v-if="cell(day.date, hour) === present" ref="mark" class="now" :style="{ top: minute }"
          ><span class="hidden">now, {{ wallClock(now) }}</span></span
        >
      </PlanCell>
    </div>
  </div>
</template>

<style scoped>
.hours {
  border-top: 2px solid var(--ink);
}
.row {
  display: grid;
  grid-template-columns: 50px repeat(7, minmax(0, 1fr));
  min-height: 27px;
  border-top: 1px solid var(--hairline);
}
.head {
  position: sticky;
  top: 0;
  z-index: 5;
  background: var(--ground);
  border-top: 0;
  border-bottom: 1px solid var(--rule);
}
.day-name {
  display: flex;
  gap: 6px;
  align-items: baseline;
  min-width: 0;
  padding: 5px 8px;
  white-space: nowrap;
}
.day-name .quiet {
  overflow: hidden;
  font-size: 12px;
  text-overflow: ellipsis;
}
.today {
  box-shadow: inset 0 -3px var(--ink);
}
.hour {
  padding: 4px 8px 0 0;
  color: var(--ink-2);
  font-size: 12px;
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.row :deep(.cell) {
  padding: 0 4px;
}
.row :deep(.cell.rests) {
  background: var(--rest);
}
/* behind what stands there */
.now {
  position: absolute;
  right: 0;
  left: 0;
  border-top: 2px solid var(--ink);
  pointer-events: none;
}
.row :deep(.plan-line) {
  position: relative;
  background: var(--sheet);
}
</style>
