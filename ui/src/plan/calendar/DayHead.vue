<script setup lang="ts">
// A day: its number, and what is special about it.
import { computed } from 'vue'
import { calendarDay, weekdayOf } from '@/api/time'
import type { PlanDay } from './period'

const props = defineProps<{ day: PlanDay; off: string }>()
const date = computed(() => props.day.date)
// the first of a month says which
const number = computed(() =>
  date.value.endsWith('-01') ? calendarDay(date.value) : String(Number(date.value.slice(8))),
)

const beside = computed(() => [props.off, props.day.clock].filter(Boolean).join(', '))
</script>

<template>
  <p class="date">
    <span class="hidden">{{ weekdayOf(day.date) }} {{ calendarDay(day.date) }}</span>
    <b aria-hidden="true">{{ number }}</b>
    <span class="weekday" aria-hidden="true">{{ weekdayOf(day.date) }}</span>
    <span class="quiet">{{ beside }}</span>
  </p>
</template>

<style scoped>
.date {
  display: flex;
  gap: 6px;
  align-items: baseline;
  margin: 2px 2px 4px;
  overflow: hidden;
  font-size: 12px;
  white-space: nowrap;
}
.date b {
  font-size: 13px;
}
.quiet {
  overflow: hidden;
  text-overflow: ellipsis;
}
.weekday {
  display: none;
}
</style>
