<script setup lang="ts">
// A week's working hours: a day without hours is a day off; a day may have a break.
import { computed } from 'vue'
import ClockField from '@/parts/fields/ClockField.vue'
const week = defineModel<Record<string, string[][]>>({ required: true })
const props = defineProps<{ weekStart: number; wrong?: string }>()
const NAMES = ['', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
const days = computed(() => (props.weekStart === 0 ? [7, 1, 2, 3, 4, 5, 6] : [1, 2, 3, 4, 5, 6, 7]))

function spans(day: number): string[][] {
  return week.value[String(day)] ?? []
}
function put(day: number, next: string[][]) {
  const all = { ...week.value }
  if (next.length === 0) delete all[String(day)]
  else all[String(day)] = next
  week.value = all
}
function change(day: number, index: number, side: number, value: string) {
  put(
    day,
    spans(day).map((span, at) => (at === index ? span.map((hour, which) => (which === side ? value : hour)) : span)),
  )
}
function add(day: number) {
  const last = spans(day).at(-1)
  put(day, [...spans(day), last ? [last[1] ?? '18:00', '20:00'] : ['09:00', '18:00']])
}
</script>

<template>
  <div class="field" :class="{ bad: wrong }">
    <span class="label">Working hours, in the client’s zone</span>
    <table>
      <tbody>
        <tr v-for="day in days" :key="day">
          <th scope="row">{{ NAMES[day] }}</th>
          <td>
            <span v-if="spans(day).length === 0" class="quiet">off</span>
            <span v-for="(span, index) in spans(day)" :key="index" class="span">
              <ClockField
                :model-value="span[0]!"
                :label="`${NAMES[day]} from`"
                @update:model-value="change(day, index, 0, $event)"
              />
              to
              <ClockField
                :model-value="span[1]!"
                end
                :label="`${NAMES[day]} to`"
                @update:model-value="change(day, index, 1, $event)"
              />
              <button
                type="button"
                class="link-button"
                :aria-label="`Remove these hours on ${NAMES[day]}`"
                @click="
                  put(
                    day,
                    spans(day).filter((_, at) => at !== index),
                  )
                "
              >
                remove
              </button>
            </span>
            <button
              v-if="spans(day).length < 3"
              type="button"
              class="link-button"
              :aria-label="`Add hours on ${NAMES[day]}`"
              @click="add(day)"
            >
              add hours
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <span v-if="wrong" class="wrong" role="alert">{{ wrong }}</span>
  </div>
</template>

<style scoped>
th {
  text-align: left;
  font-weight: 450;
  width: 110px;
}
td {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: center;
  min-height: 34px;
}
.span {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
</style>
