<script setup lang="ts">
// What a campaign is planned to be. What is typed is kept in this browser until it is saved.
import { LENGTHS } from '@/api/lengths'
import { Button, Input, InputNumber, Textarea } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { digits, minorOf, typedAmount } from '@/api/money'
import DialogBox from '@/parts/DialogBox.vue'
import FormField from '@/parts/FormField.vue'
import ChoicesField from '@/parts/fields/ChoicesField.vue'
import DayField from '@/parts/fields/DayField.vue'
import SuggestField from '@/parts/fields/SuggestField.vue'
import { useKept } from '@/parts/kept'
import { useProblem } from '@/parts/problem'
import { useChoices } from '@/plan/calendar/filter'
import { useSaving, type Campaign } from './campaigns'

const props = defineProps<{ workspace: string; currency: string; campaign?: Campaign }>()
const emit = defineEmits<{ saved: [id: string]; close: [] }>()
const { data: choices } = useChoices(computed(() => props.workspace))
const one = props.campaign
const kept = useKept(`campaign:${props.workspace}:${one?.id ?? 'new'}`, {
  name: one?.name ?? '',
  first: one?.first ?? '',
  last: one?.last ?? '',
  goal: one?.goal ?? '',
  brief: one?.brief ?? '',
  budget: one?.budget ? typedAmount(one.budget) : '',
  channels: one?.channels.map((channel) => channel.id) ?? [],
  people: one?.people.map((person) => person.id) ?? [],
  targets: (one?.mix.rows ?? []).flatMap((row) => (row.label ? [{ label: row.label.name, percent: row.target }] : [])),
})
const form = kept.value
const currency = one?.budget?.currency ?? props.currency
const version = ref(one?.version ?? 0)
const wrong = ref('')
const sum = computed(() => form.targets.reduce((all, target) => all + (target.percent || 0), 0))
const named = <T extends { id: string; name: string }>(all: T[] | undefined) =>
  (all ?? []).map(({ id, name }) => ({ value: id, label: name }))
const channels = computed(() => choices.value?.channels.filter((channel) => channel.workspace_id === props.workspace))
const { problem, busy, at, beside, run } = useProblem()
const save = useSaving()
const FIELDS = ['name', 'first', 'last', 'goal', 'brief', 'budget', 'channels', 'people', 'targets']

async function keep() {
  const minor = minorOf(form.budget, digits(currency))
  wrong.value = minor === undefined ? `Write an amount such as ${(1200).toFixed(digits(currency))}.` : ''
  if (minor === undefined) return
  const id = await run(() =>
    save(
      props.workspace,
      {
        name: form.name,
        first: form.first || null,
        last: form.last || null,
        goal: form.goal,
        brief: form.brief,
        budget: form.budget.trim() === '' ? null : { minor, currency },
        channel_ids: form.channels,
        person_ids: form.people,
        targets: form.targets.filter((target) => target.label.trim() !== '' && target.percent > 0),
        version: version.value,
      },
      one?.id,
    ),
  )
  if (id) {
    kept.forget()
    emit('saved', id)
  } else if (problem.value?.code === 'part_changed') version.value = Number(problem.value.facts?.version)
}
function leave() {
  kept.forget()
  emit('close')
}
</script>

<template>
  <DialogBox :title="campaign ? `Change “${campaign.name}”` : 'A new campaign'" :width="640" @close="leave">
    <form class="campaign-form" @submit.prevent="keep">
      <FormField id="campaign-name" label="Name" :wrong="at('name')">
        <Input id="campaign-name" v-model:value="form.name" :maxlength="LENGTHS.title" />
      </FormField>
      <div class="row">
        <FormField id="campaign-first" label="From" :wrong="at('first')">
          <DayField id="campaign-first" v-model="form.first" />
        </FormField>
        <FormField id="campaign-last" label="Until" :wrong="at('last')">
          <DayField id="campaign-last" v-model="form.last" />
        </FormField>
        <FormField id="campaign-budget" :label="`Budget in ${currency}`" :wrong="wrong || at('budget')">
          <Input id="campaign-budget" v-model:value="form.budget" inputmode="decimal" placeholder="none" />
        </FormField>
      </div>
      <FormField
        id="campaign-goal"
        label="Goal"
        hint="In one sentence: what is different afterwards."
        :wrong="at('goal')"
      >
        <Input id="campaign-goal" v-model:value="form.goal" :maxlength="LENGTHS.goal" />
      </FormField>
      <FormField
        id="campaign-brief"
        label="Brief"
        hint="**bold**, *slanted*, - lists, ## headings and links as in Markdown."
        :wrong="at('brief')"
      >
        <Textarea id="campaign-brief" v-model:value="form.brief" :rows="7" :maxlength="LENGTHS.brief" />
      </FormField>
      <div class="row">
        <FormField id="campaign-channels" label="Channels" :wrong="at('channels')">
          <ChoicesField id="campaign-channels" v-model="form.channels" label="Channels" :options="named(channels)" />
        </FormField>
        <FormField id="campaign-people" label="People" :wrong="at('people')">
          <ChoicesField id="campaign-people" v-model="form.people" label="People" :options="named(choices?.people)" />
        </FormField>
      </div>
      <fieldset>
        <legend>Mix of labels that is wanted</legend>
        <p v-for="(target, index) in form.targets" :key="index" class="target">
          <SuggestField
            :id="`target-${index}`"
            v-model="target.label"
            :label="`Label ${index + 1}`"
            :known="(choices?.labels ?? []).map((label) => label.name)"
          />
          <InputNumber
            v-model:value="target.percent"
            :min="1"
            :max="100"
            :precision="0"
            :aria-label="`Percent ${index + 1}`"
          />
          %
          <button type="button" class="link-button" @click="form.targets.splice(index, 1)">Leave it out</button>
        </p>
        <p>
          <button
            type="button"
            class="link-button"
            @click="form.targets.push({ label: '', percent: Math.max(1, 100 - sum) })"
          >
            Add a label
          </button>
          <span v-if="form.targets.length > 0" :class="sum > 100 ? 'late' : 'quiet'">{{ sum }} % in all</span>
        </p>
        <p v-if="at('targets')" role="alert" class="wrong">{{ at('targets') }}</p>
      </fieldset>
      <p v-if="beside(FIELDS)" role="alert" class="wrong">
        {{ beside(FIELDS) }}
        <template v-if="problem?.code === 'part_changed'">Save again to write yours over theirs.</template>
      </p>
      <div class="acts">
        <Button type="primary" html-type="submit" :loading="busy">{{ campaign ? 'Save' : 'Plan it' }}</Button>
        <Button @click="leave">Cancel</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
}
.row > * {
  flex: 1 1 150px;
  min-width: 0;
}
fieldset {
  margin: 0 0 12px;
  padding: 0;
  border: 0;
}
legend {
  padding: 0 0 4px;
  color: var(--ink-2);
}
.target {
  display: flex;
  gap: 8px;
  align-items: center;
  margin-bottom: 6px;
}
.target > :first-child {
  flex: 1;
}
</style>
