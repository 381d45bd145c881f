<script setup lang="ts">
// A year carried over to the next as pencil marks: looked at before it is done.
import { Button, RadioButton, RadioGroup } from 'ant-design-vue'
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ok, unread } from '@/api/client'
import { calendarDay } from '@/api/time'
import { counted } from '@/api/words'
import DialogBox from '@/parts/DialogBox.vue'
import { attempt, useProblem } from '@/parts/problem'
import { offerUndo } from '@/parts/undo'

const props = defineProps<{ workspace: string; year: number }>()
const emit = defineEmits<{ close: [] }>()
const queries = useQueryClient()
const how = ref<'weekday' | 'date'>('weekday')
const params = { path: { workspace: props.workspace } }
const carry = (dry: boolean) =>
  ok(
    api.POST('/api/w/{workspace}/plan/carry-over', { params, body: { year: String(props.year), how: how.value, dry } }),
  )
const { data, error } = useQuery({
  queryKey: computed(() => ['plan', props.workspace, 'carry-over', props.year, how.value]),
  queryFn: () => carry(true),
})
const { busy, beside, run } = useProblem()
const PART = 400
async function go() {
  const done = await run(() => carry(false))
  if (!done) return
  await queries.invalidateQueries({ queryKey: ['plan'] })
  offerUndo(`${counted(done.put.length, 'mark is', 'marks are')} put into ${props.year + 1}.`, () =>
    attempt(() => undo(done.put)),
  )
  emit('close')
}
async function undo(put: { day: string; channel_id: string }[]) {
  for (let from = 0; from < put.length; from += PART) {
    const erase = put.slice(from, from + PART).map(({ day, channel_id }) => ({ day, channel_id }))
    await ok(api.PUT('/api/w/{workspace}/plan/marks', { params, body: { put: [], erase } }))
  }
  await queries.invalidateQueries({ queryKey: ['plan'] })
}
</script>

<template>
  <DialogBox :title="`Carry ${year} over to ${year + 1}`" :width="460" @close="emit('close')">
    <form @submit.prevent="go">
      <p>Where something went out in {{ year }} a pencil mark keeps the place in {{ year + 1 }}.</p>
      <RadioGroup v-model:value="how" class="how" aria-label="How">
        <RadioButton value="weekday">on the same weekday</RadioButton>
        <RadioButton value="date">on the same date</RadioButton>
      </RadioGroup>
      <div class="look" role="status">
        <p v-if="error" class="wrong">{{ unread(error) }}</p>
        <p v-else-if="!data" class="quiet">Looking what that would do …</p>
        <template v-else>
          <p>
            <b>{{ counted(data.put.length, 'mark', 'marks') }}</b> will be put.
            <template v-if="data.taken > 0">
              {{ counted(data.taken, 'place has', 'places have') }} something already and
              {{ data.taken === 1 ? 'stays' : 'stay' }} as {{ data.taken === 1 ? 'it is' : 'they are' }}.</template
            >
            <template v-if="data.without > 0">
              {{ counted(data.without, 'day does', 'days do') }} not exist in {{ year + 1 }}.</template
            >
          </p>
          <ul class="some quiet">
            <li v-for="mark in data.put.slice(0, 8)" :key="mark.day + mark.channel_id">
              {{ calendarDay(mark.day) }} {{ mark.word }}
            </li>
            <li v-if="data.put.length > 8">and {{ data.put.length - 8 }} more</li>
          </ul>
        </template>
      </div>
      <p v-if="beside([])" role="alert" class="wrong">{{ beside([]) }}</p>
      <div class="acts">
        <Button type="primary" html-type="submit" :loading="busy" :disabled="!data || data.put.length === 0"
          >Carry over</Button
        >
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.how {
  display: block;
  margin: 8px 0 12px;
}
.look {
  min-height: 90px;
  margin-bottom: 12px;
}
</style>
