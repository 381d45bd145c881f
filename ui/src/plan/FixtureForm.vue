<script setup lang="ts">
// A fixture: its word, its rule put together and said in words with its next days, where and when, of which kind, and
// for whom.
import { Button, Checkbox, CheckboxGroup, Input, InputNumber } from 'ant-design-vue'
import { useQuery } from '@tanstack/vue-query'
import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, ok, unread, type Schemas } from '@/api/client'
import { calendarDay, weekdayOf } from '@/api/time'
import FormField from '@/parts/FormField.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import ChoicesField from '@/parts/fields/ChoicesField.vue'
import ClockField from '@/parts/fields/ClockField.vue'
import DayField from '@/parts/fields/DayField.vue'
import { useProblem } from '@/parts/problem'
import { WEEKDAYS, patternOf, ruleOf, useFixtureActs, type Fixture } from './fixtures'
import { daysOn } from './period'

const props = defineProps<{
  workspace: string
  day: string
  fixture?: Fixture
  choices: Schemas['PlanChoices'] | undefined
}>()
const emit = defineEmits<{ done: []; cancel: [] }>()
const { save } = useFixtureActs()
const one = props.fixture
const word = ref(one?.word ?? '')
const first = ref(one?.first ?? props.day)
const last = ref(one?.last ?? '')
const pattern = ref(one ? patternOf(one.rule, first.value) : { ...patternOf('', first.value), kind: 'week' as const })
const atHour = ref(!!one?.clock)
const clock = ref(one?.clock ?? '09:00')
const on = ref<string[]>(one?.channels.map((channel) => channel.id) ?? [])
const label = ref<string | null>(one?.label_id ?? null)
const owner = ref<string | null>(one?.owner_id ?? null)
const before = ref(one?.days_before ?? 7)
const makes = ref(one?.makes ?? false)
const version = ref(one?.version ?? 0)
const rule = computed(() => ruleOf(pattern.value))
const asked = refDebounced(
  computed(() => ({ rule: rule.value, first: first.value })),
  250,
)
const { data: look, error: bad } = useQuery({
  queryKey: computed(() => ['plan', props.workspace, 'rule', asked.value]),
  queryFn: () =>
    ok(
      api.GET('/api/w/{workspace}/plan/rule', { params: { path: { workspace: props.workspace }, query: asked.value } }),
    ),
  enabled: computed(() => asked.value.rule !== '' && asked.value.first !== ''),
  retry: false,
})
const KINDS = [
  { value: 'week', label: 'on days of the week' },
  { value: 'day', label: 'on a day of the month' },
  { value: 'nth', label: 'on the first, second … of a weekday' },
  { value: 'working', label: 'on a working day of the month' },
  { value: 'year', label: 'once a year' },
  { value: 'own', label: 'by a rule that I write' },
] as const
const UNITS = { week: 'weeks', day: 'months', nth: 'months', working: 'months', year: 'years', own: '' }
const NTH = [
  { value: 1, label: 'first' },
  { value: 2, label: 'second' },
  { value: 3, label: 'third' },
  { value: 4, label: 'fourth' },
  { value: -1, label: 'last' },
]
const weekdays = WEEKDAYS.map((value, at) => ({ value: value as string, label: weekdayOf(daysOn('2024-01-01', at)) }))
const named = (all: { id: string; name: string }[] | undefined, none: string) => [
  { value: null as string | null, label: none },
  ...(all ?? []).map(({ id, name }) => ({ value: id as string | null, label: name })),
]
const mine = <T extends { workspace_id: string }>(all: T[] | undefined) =>
  (all ?? []).filter((choice) => choice.workspace_id === props.workspace)
const { problem, busy, at, beside, run } = useProblem()
const FIELDS = ['word', 'rule', 'first', 'last', 'clock', 'label', 'owner', 'days_before', 'channels']

async function keep() {
  const done = await run(async () => {
    await save(
      props.workspace,
      {
        word: word.value,
        rule: rule.value,
        first: first.value,
        last: last.value || null,
        clock: atHour.value ? clock.value : null,
        label_id: label.value,
        owner_id: owner.value,
        days_before: before.value,
        makes: makes.value,
        channel_ids: on.value,
        version: version.value,
      },
      one?.id,
    )
    return true
  })
  if (done) emit('done')
  else if (problem.value?.code === 'part_changed') version.value = Number(problem.value.facts?.version)
}
</script>

<template>
  <form class="fixture-form" @submit.prevent="keep">
    <FormField
      id="fixture-word"
      label="What comes back"
      hint="It becomes the subject of its posts."
      :wrong="at('word')"
    >
      <Input id="fixture-word" v-model:value="word" :maxlength="80" />
    </FormField>
    <div class="row">
      <FormField id="fixture-kind" label="When" :wrong="at('rule')">
        <ChoiceField id="fixture-kind" v-model="pattern.kind" :options="[...KINDS]" />
      </FormField>
      <FormField v-if="pattern.kind !== 'own'" id="fixture-every" label="Every">
        <InputNumber id="fixture-every" v-model:value="pattern.every" :min="1" :max="99" :precision="0" />
        {{ UNITS[pattern.kind] }}
      </FormField>
    </div>
    <CheckboxGroup v-if="pattern.kind === 'week'" v-model:value="pattern.days" :options="weekdays" class="line" />
    <p v-if="pattern.kind === 'day'" class="line">
      <label for="fixture-date">on day</label>
      <InputNumber id="fixture-date" v-model:value="pattern.date" :min="1" :max="31" :precision="0" />
      <span class="quiet">a month without it is left out</span>
    </p>
    <p v-if="pattern.kind === 'nth' || pattern.kind === 'working'" class="line">
      on the
      <ChoiceField id="fixture-nth" v-model="pattern.nth" label="Which" :options="NTH" />
      <ChoiceField
        v-if="pattern.kind === 'nth'"
        id="fixture-weekday"
        v-model="pattern.weekday"
        label="Weekday"
        :options="weekdays"
      />
      <span v-else>working day, Monday to Friday</span>
    </p>
    <FormField
      v-if="pattern.kind === 'own'"
      id="fixture-rule"
      label="Rule"
      hint="RFC 5545: FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13"
    >
      <Input id="fixture-rule" v-model:value="pattern.text" :maxlength="200" />
    </FormField>
    <p class="look" role="status">
      <template v-if="bad"
        ><span class="wrong">{{ unread(bad) }}</span></template
      >
      <template v-else-if="look"
        ><b>{{ look.words }}</b>
        <span class="quiet"> {{ look.days.map((day) => calendarDay(day)).join(' · ') }} …</span></template
      >
    </p>
    <div class="row">
      <FormField id="fixture-first" label="From" :wrong="at('first')"
        ><DayField id="fixture-first" v-model="first"
      /></FormField>
      <FormField id="fixture-last" label="Until, if it ends" :wrong="at('last')">
        <DayField id="fixture-last" v-model="last" />
      </FormField>
    </div>
    <p class="line">
      <Checkbox v-model:checked="atHour">At an hour</Checkbox>
      <ClockField v-if="atHour" v-model="clock" label="Hour" />
    </p>
    <FormField id="fixture-channels" label="Channels" :wrong="at('channels')">
      <ChoicesField
        id="fixture-channels"
        v-model="on"
        label="Channels"
        :options="mine(choices?.channels).map((channel) => ({ value: channel.id, label: channel.name }))"
      />
    </FormField>
    <div class="row">
      <FormField id="fixture-label" label="Kind of content" :wrong="at('label')">
        <ChoiceField id="fixture-label" v-model="label" :options="named(mine(choices?.labels), 'any kind')" />
      </FormField>
      <FormField id="fixture-owner" label="For" :wrong="at('owner')">
        <ChoiceField id="fixture-owner" v-model="owner" :options="named(choices?.people, 'whoever makes it')" />
      </FormField>
      <FormField id="fixture-before" label="Begun, days before" :wrong="at('days_before')">
        <InputNumber id="fixture-before" v-model:value="before" :min="0" :max="90" :precision="0" />
      </FormField>
    </div>
    <p>
      <Checkbox v-model:checked="makes">Its draft is made by itself then, with these channels and this kind</Checkbox>
    </p>
    <p v-if="beside(FIELDS)" role="alert" class="wrong">{{ beside(FIELDS) }}</p>
    <div class="acts">
      <Button type="primary" html-type="submit" :loading="busy" :disabled="!!bad || on.length === 0">Save</Button>
      <Button @click="emit('cancel')">Cancel</Button>
    </div>
  </form>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 12px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  margin-bottom: 12px;
}
.look {
  min-height: 38px;
  margin-bottom: 10px;
}
.look b {
  display: block;
}
</style>
