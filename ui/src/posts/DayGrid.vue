<script setup lang="ts">
// A month as a grid of days beside a planned time: a dot for what goes out already, hatched for a day off.
import { computed } from 'vue'
import { calendarDay, monthOf, weekdays } from '@/api/time'
import { week, weeks, type Day } from './days'
import { counted } from '@/api/words'

const props = defineProps<{ days: Day[]; month: string; chosen: string; today: string }>()
const emit = defineEmits<{ choose: [day: string]; turn: [months: number] }>()
const rows = computed(() => weeks(props.days))
const heads = computed(() => weekdays(props.days.slice(0, 7).map((one) => one.date)))
const outside = (day: Day) => day.date.slice(0, 7) !== props.month.slice(0, 7)
function says(day: Day) {
  const goes = day.posts.length === 0 ? '' : `, ${counted(day.posts.length, 'goes', 'go')} out`
  const off = day.off ? `, ${day.off}` : day.works ? '' : ', no working day'
  return `${calendarDay(day.date, { weekday: true, year: true })}${off}${goes}`
}
</script>

<template>
  <div class="month">
    <div class="turn">
      <button type="button" aria-label="The month before" tabindex="-1" @click="emit('turn', -1)">‹</button>
      <b>{{ monthOf(month) }}</b>
      <button type="button" aria-label="The month after" tabindex="-1" @click="emit('turn', 1)">›</button>
    </div>
    <table>
      <thead>
        <tr>
          <th scope="col"><span class="hidden">Week</span></th>
          <th v-for="(name, index) in heads" :key="index" scope="col">{{ name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row[0]!.date">
          <th scope="row" class="week">{{ week(row[3]!.date) }}</th>
          <td v-for="day in row" :key="day.date">
            <button
              type="button"
              tabindex="-1"
              :class="{
                outside: outside(day),
                off: day.off || !day.works,
                today: day.date === today,
                chosen: day.date === chosen,
              }"
              :aria-pressed="day.date === chosen"
              :aria-label="says(day)"
              :title="day.off ?? undefined"
              @mousedown.prevent
              @click="emit('choose', day.date)"
            >
              {{ Number(day.date.slice(8)) }}<span v-if="day.posts.length > 0" class="dot" aria-hidden="true" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.month {
  min-width: 0;
  max-width: 420px;
}
.turn {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 2px;
}
.turn button {
  width: 28px;
  height: 26px;
  border: 0;
  background: none;
  font-size: 18px;
  line-height: 1;
  cursor: pointer;
}
table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
  text-align: center;
}
th {
  font-weight: 600;
  font-size: 12px;
}
thead th:first-child {
  position: relative;
  width: 28px;
}
.week {
  font-weight: 450;
  color: var(--ink-2);
}
td {
  padding: 0;
}
td button {
  position: relative;
  width: 100%;
  height: 28px;
  padding: 0 0 4px;
  border: 1px solid transparent;
  background: none;
  cursor: pointer;
}
td button:hover {
  border-color: var(--ink);
}
.off {
  background: var(--ground);
  color: var(--ink-2);
}
.outside {
  color: var(--ink-2);
}
.today {
  border-top-color: var(--ink);
  border-top-width: 2px;
}
.chosen {
  background: var(--ink);
  color: var(--sheet);
  font-weight: 600;
}
.dot {
  position: absolute;
  left: calc(50% - 2px);
  bottom: 3px;
  width: 4px;
  height: 4px;
  border-radius: 50%;
  background: currentcolor;
}
</style>
