<script setup lang="ts">
// Weeks down, days across; on a narrow screen one day below the other.
import { computed } from 'vue'
import { weekdayOf } from '@/api/time'
import DayDates from '@/plan/dates/DayDates.vue'
import DayHead from './DayHead.vue'
import PlanCell from './PlanCell.vue'
import { byCell, type Period } from './period'

const props = defineProps<{
  period: Period
  label: string
  offOn: (day: Period['weeks'][number]['days'][number]) => string
}>()
const lines = computed(() => byCell(props.period.lines, (line) => [line.wall.slice(0, 10)]))
const known = (day: string) => props.period.dates.some((one) => one.first <= day && day <= one.last)
const on = (day: string) => lines.value.get(day) ?? []
</script>

<template>
  <div class="month" role="grid" :aria-label="label">
    <div class="names" role="row">
      <span role="columnheader"><span class="hidden">Week</span></span>
      <span v-for="day in period.weeks[0]!.days" :key="day.date" role="columnheader">{{ weekdayOf(day.date) }}</span>
    </div>
    <div v-for="week in period.weeks" :key="week.days[0]!.date" class="week" role="row">
      <span class="number" role="rowheader" :aria-label="`Week ${week.number}`">{{ week.number }}</span>
      <PlanCell
        v-for="(day, index) in week.days"
        :key="day.date"
        class="day"
        :class="{
          outside: !day.inside,
          rests: !day.works,
          today: day.date === period.today,
          empty: on(day.date).length === 0 && day.off.length === 0 && !known(day.date),
          right: index > 3,
          low: week === period.weeks[period.weeks.length - 1],
        }"
        :place="day.date"
        :lines="on(day.date)"
      >
        <DayHead :day="day" :off="offOn(day)" />
        <DayDates :day="day.date" :named="index === 0" />
      </PlanCell>
    </div>
  </div>
</template>

<style scoped>
.month {
  border-top: 2px solid var(--ink);
}
.names,
.week {
  display: grid;
  grid-template-columns: 36px repeat(7, minmax(0, 1fr));
}
.names > span {
  padding: 4px 8px;
  font-weight: 600;
}
.week {
  min-height: 88px;
  border-top: 1px solid var(--rule);
}
.week .number {
  padding: 5px 8px 0 0;
  color: var(--ink-2);
  text-align: right;
}
.day.rests {
  background: var(--rest);
}
.day.outside {
  background: var(--ground);
}
.day.today {
  box-shadow: inset 0 3px var(--ink);
}
.outside :deep(.date b) {
  color: var(--ink-2);
  font-weight: 450;
}
@media (max-width: 700px) {
  .names,
  .week > .number {
    display: none;
  }
  .week {
    display: block;
    min-height: 0;
  }
  .day {
    padding: 6px;
    border-left: 0;
    border-bottom: 1px solid var(--rule);
  }
  .day.outside.empty:not(.target) {
    display: none;
  }
  .day.empty:not(.today, .target) :deep(.date) {
    margin: 0;
    color: var(--ink-2);
  }
  .day :deep(.weekday) {
    display: inline;
  }
}
</style>
