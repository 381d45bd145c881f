<script setup lang="ts">
// A key date, or other work of the time: what it is, when, and whether it comes back.
import { LENGTHS } from '@/api/lengths'
import { Button, Checkbox, Input, RadioButton, RadioGroup } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import ActButton from '@/parts/ActButton.vue'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import DayField from '@/parts/fields/DayField.vue'
import { useProblem } from '@/parts/problem'
import { useKeyDates, type KeyDate } from './key-dates'

const props = defineProps<{
  workspace: string
  day: string
  date?: KeyDate
  /** the client, where several show */
  of?: string
  may?: Schemas['Can'][string]
}>()
const emit = defineEmits<{ close: [] }>()
const { keep, drop } = useKeyDates()
const kind = ref<KeyDate['kind']>(props.date?.kind ?? 'date')
const name = ref(props.date?.name ?? '')
const days = computed(() =>
  props.date ? Math.round((Date.parse(props.date.last) - Date.parse(props.date.first)) / 86_400_000) : 0,
)
const first = ref(props.date?.since ?? props.day)
const last = ref(
  days.value > 0 ? new Date(Date.parse(first.value) + days.value * 86_400_000).toISOString().slice(0, 10) : '',
)
const yearly = ref(props.date?.yearly ?? false)
const version = ref(props.date?.version ?? 0)
const { problem, busy, at, beside, run } = useProblem()

async function save() {
  const said = {
    kind: kind.value,
    name: name.value,
    first: first.value,
    last: last.value || null,
    yearly: yearly.value,
  }
  const done = await run(async () => {
    await keep(props.workspace, said, props.date && { id: props.date.id, version: version.value })
    return true
  })
  if (done) emit('close')
  else if (problem.value?.code === 'part_changed') version.value = Number(problem.value.facts?.version)
}
async function remove() {
  if (props.date) await drop(props.date)
  emit('close')
}
</script>

<template>
  <DialogBox
    :title="date ? `In the plan${of ? ` of ${of}` : ''}` : 'Into the plan'"
    :width="400"
    @close="emit('close')"
  >
    <form @submit.prevent="save">
      <FormField id="date-name" label="What is then" :wrong="at('name')">
        <Input id="date-name" v-model:value="name" :maxlength="LENGTHS.word" />
      </FormField>
      <RadioGroup v-model:value="kind" class="kind" aria-label="Kind">
        <RadioButton value="date">Key date</RadioButton>
        <RadioButton value="work">Other work</RadioButton>
      </RadioGroup>
      <p class="quiet">
        {{
          kind === 'date'
            ? 'A day that the plan must know: a sale, a strike, the client’s birthday.'
            : 'What the same people do then beside posts: a fair, a print run.'
        }}
      </p>
      <div class="days">
        <FormField id="date-first" label="From" :wrong="at('first')">
          <DayField id="date-first" v-model="first" />
        </FormField>
        <FormField id="date-last" label="Until, if it lasts" :wrong="at('last')">
          <DayField id="date-last" v-model="last" />
        </FormField>
      </div>
      <Checkbox v-model:checked="yearly">Every year on this day</Checkbox>
      <p v-if="beside(['name', 'first', 'last'])" role="alert" class="wrong">{{ beside(['name', 'first', 'last']) }}</p>
      <div class="acts">
        <ActButton type="primary" html-type="submit" :may="may" :loading="busy">{{
          date ? 'Save' : 'Put it there'
        }}</ActButton>
        <ActButton v-if="date" :may="may" @click="remove">Take it out</ActButton>
        <Button @click="emit('close')">Cancel</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.kind {
  display: block;
  margin: 0 0 4px;
}
.days {
  display: flex;
  gap: 12px;
  margin-top: 12px;
}
.acts {
  margin-top: 14px;
}
</style>
