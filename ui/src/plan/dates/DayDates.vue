<script setup lang="ts">
// What else is on a day: key dates, and other work. What lasts is named where it begins, and goes on as a line.
import { computed } from 'vue'
import { calendarDay } from '@/api/time'
import { on, type KeyDate } from './key-dates'
import { usePlan } from '@/plan/calendar/plan'

const props = defineProps<{ day: string; /** it is named here even if it began before */ named?: boolean }>()
const plan = usePlan()
const dates = computed(() => on(plan.dates, props.day))
const says = (date: KeyDate) => props.named || date.first === props.day
function title(date: KeyDate) {
  const days =
    date.first === date.last ? calendarDay(date.first) : `${calendarDay(date.first)} to ${calendarDay(date.last)}`
  const client = plan.clientOf(date.workspace_id)?.name
  return [date.name, days, client, date.yearly ? 'every year' : ''].filter(Boolean).join(', ')
}
</script>

<template>
  <button
    v-for="date in dates"
    :key="`${date.id} ${date.first}`"
    type="button"
    class="date"
    :class="[date.kind, { goes: date.last > day, came: !says(date) }]"
    :title="title(date)"
    :aria-label="title(date)"
    @click.stop="plan.openDate(date)"
  >
    {{ says(date) ? date.name : '' }}
  </button>
</template>

<style scoped>
.date {
  display: block;
  width: 100%;
  min-height: 24px;
  margin: 0 0 2px;
  padding: 2px 6px;
  overflow: hidden;
  border: 0;
  border-left: 3px solid var(--ink);
  background: var(--well);
  color: var(--ink);
  font-size: 12px;
  font-weight: 600;
  line-height: 20px;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: pointer;
}
.work {
  border-left-style: double;
  font-weight: 450;
}
.came {
  border-left: 0;
}
</style>
