<script setup lang="ts">
// When answers come: days down, hours across, by the client's clock. The number stands in the field, the shade helps.
import { computed } from 'vue'
import { readerLanguage } from '@/api/time'
import { shade } from './figures'

const props = defineProps<{ clock: number[][] }>()
const most = computed(() => Math.max(...props.clock.flat()))
// hours in which nobody ever answers, before the first and after the last, are left out
const shown = computed(() => {
  const used = [...Array(24).keys()].filter((hour) => props.clock.some((day) => (day[hour] ?? 0) > 0))
  const first = Math.min(8, ...used)
  const last = Math.max(18, ...used)
  return [...Array(last - first + 1).keys()].map((at) => at + first)
})
const monday = Date.UTC(2024, 0, 1)
const days = computed(() => {
  const name = new Intl.DateTimeFormat(readerLanguage(), { weekday: 'short', timeZone: 'UTC' })
  return props.clock.map((_, at) => name.format(monday + at * 86_400_000))
})
</script>

<template>
  <table class="clock">
    <caption class="hidden">
      How many answers came, by day and hour
    </caption>
    <thead>
      <tr>
        <td />
        <th v-for="hour in shown" :key="hour" scope="col">{{ hour }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(day, at) in clock" :key="at">
        <th scope="row">{{ days[at] }}</th>
        <td v-for="hour in shown" :key="hour" :class="`shade-${shade(day[hour] ?? 0, most)}`">{{ day[hour] || '' }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.clock {
  width: 100%;
  border-collapse: separate;
  border-spacing: 2px;
  table-layout: fixed;
  font-size: 12px;
  font-variant-numeric: tabular-nums;
}
th {
  font-weight: 450;
  color: var(--ink-2);
}
th[scope='row'],
thead td {
  width: 40px;
  text-align: left;
}
tbody td {
  height: 22px;
  text-align: center;
  background: var(--well);
}
.shade-1 {
  background: var(--share-1);
}
.shade-2 {
  background: var(--share-2);
}
.shade-3 {
  background: var(--share-3);
}
.shade-4 {
  background: var(--share-4);
  color: var(--sheet);
}
.shade-5 {
  background: var(--cleared);
  color: var(--sheet);
}
</style>
