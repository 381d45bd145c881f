<script setup lang="ts">
// The marks of a week onto other weeks, looked at before.
import { Button, InputNumber } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { calendarDay } from '@/api/time'
import { counted } from '@/api/words'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import { weeksOn, type Change, type NewMark, type Said } from '@/plan/bulk/block'
import { daysOn } from '@/plan/calendar/period'
import { idOf } from '@/plan/calendar/place'

const MOST = 500
const props = defineProps<{
  marks: NewMark[]
  /** the first day of their week */
  from: string
  at: (id: string) => Said | undefined
}>()
const emit = defineEmits<{ apply: [change: Change]; close: [] }>()
const times = ref(3)
const every = ref(1)
const weeks = computed(() => Array.from({ length: times.value }, (_, at) => (at + 1) * every.value))
const put = computed(() => weeksOn(props.marks, weeks.value, daysOn))
const last = computed(() => daysOn(props.from, 7 * (weeks.value[weeks.value.length - 1] ?? 0)))
const over = computed(
  () => put.value.filter((mark) => props.at(idOf({ day: mark.day, channel: mark.channel_id }))).length,
)
function copy() {
  emit('apply', { put: put.value, erase: [] })
  emit('close')
}
</script>

<template>
  <DialogBox
    :title="`Copy ${counted(marks.length, 'mark', 'marks')} onto other weeks`"
    :width="420"
    @close="emit('close')"
  >
    <form @submit.prevent="copy">
      <div class="pair">
        <FormField id="copy-times" label="Onto how many weeks">
          <InputNumber id="copy-times" v-model:value="times" :min="1" :max="53" :precision="0" />
        </FormField>
        <FormField id="copy-every" label="Every how many weeks">
          <InputNumber id="copy-every" v-model:value="every" :min="1" :max="8" :precision="0" />
        </FormField>
      </div>
      <p role="status">
        <template v-if="put.length > MOST">
          These are {{ put.length }} marks. At most {{ MOST }} can be put at once: take fewer weeks.
        </template>
        <template v-else>
          {{ counted(put.length, 'mark is', 'marks are') }} put, the last in the week of
          {{ calendarDay(last, { weekday: true }) }}.<template v-if="over > 0">
            {{ counted(over, 'cell has', 'cells have') }} one already; it is written over.</template
          >
          A cell that is written over comes back with Undo.
        </template>
      </p>
      <div class="acts">
        <Button type="primary" html-type="submit" :disabled="put.length > MOST || put.length === 0">Copy them</Button>
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.pair {
  display: flex;
  gap: 16px;
}
</style>
