<script setup lang="ts">
// One step of a route as it is written: name, side, who, how many, how long, and when it is wanted.
import { LENGTHS } from '@/api/lengths'
import { Button, Checkbox, Input, InputNumber } from 'ant-design-vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import StepCondition from './StepCondition.vue'
import { newStep, type Step } from './route'
import type { Known } from './known'

const props = defineProps<{
  index: number
  last: boolean
  known: Known
  wrong?: string
}>()
const step = defineModel<Step>({ required: true })
const emit = defineEmits<{ move: [by: number]; remove: [] }>()
const side = () => step.value.side as 'internal' | 'client'
const able = () => props.known.able[side()]
// those that somebody has here who may answer
const roles = () =>
  props.known.roles.filter((one) => one.side === side() && (one.people.length > 0 || step.value.roles.includes(one.id)))

function flip(list: string[], id: string) {
  return list.includes(id) ? list.filter((one) => one !== id) : [...list, id]
}
function turn(to: 'internal' | 'client') {
  Object.assign(step.value, { side: to, people: newStep(props.known, to).people, roles: [] })
}
</script>

<template>
  <fieldset class="step" :class="[step.side, { bad: wrong }]">
    <legend>Step {{ index + 1 }}</legend>
    <div class="line-of">
      <label class="grow">Name <Input v-model:value="step.name" :maxlength="LENGTHS.name" /></label>
      <span class="labelled"
        ><label :for="`side-${index}`">Side</label>
        <ChoiceField
          :id="`side-${index}`"
          :model-value="side()"
          :options="[
            { value: 'internal', label: 'inside' },
            { value: 'client', label: 'the client' },
          ]"
          @update:model-value="turn($event)"
        />
      </span>
      <span class="labelled"
        ><label :for="`quorum-${index}`">How many</label>
        <ChoiceField
          :id="`quorum-${index}`"
          v-model="step.quorum"
          :options="[
            { value: 'any', label: 'any one' },
            { value: 'all', label: 'each of them' },
            { value: 'n', label: 'a number' },
          ]"
          @update:model-value="step.n = $event === 'n' ? 2 : null"
        />
      </span>
      <label v-if="step.quorum === 'n'"
        >Number
        <InputNumber :value="step.n ?? undefined" :min="1" class="short" @update:value="step.n = Number($event)"
      /></label>
      <label>Working hours <InputNumber v-model:value="step.hours" :min="0.5" :step="0.5" class="short" /></label>
    </div>
    <div class="line-of" role="group" :aria-label="`Who says yes at step ${index + 1}`">
      <Checkbox
        v-for="one in able()"
        :key="one.id"
        :checked="step.people.includes(one.id)"
        @change="step.people = flip(step.people, one.id)"
        >{{ one.name }}</Checkbox
      >
      <span v-if="able().length === 0" class="quiet"
        >Nobody of this side may answer yet; invite them, then name them here.</span
      >
    </div>
    <div v-if="roles().length > 0" class="line-of" role="group" :aria-label="`Roles at step ${index + 1}`">
      <span class="quiet">or whoever is</span>
      <Checkbox
        v-for="one in roles()"
        :key="one.id"
        :checked="step.roles.includes(one.id)"
        @change="step.roles = flip(step.roles, one.id)"
        >{{ one.name }}</Checkbox
      >
    </div>
    <StepCondition
      :id="`when-${index}`"
      v-model="step.condition"
      :labels="known.labels"
      :channels="known.channels"
      :formats="known.formats"
      :currency="known.currency"
    />
    <div class="line-of">
      <Checkbox v-model:checked="step.required">required</Checkbox>
      <Checkbox v-model:checked="step.four_eyes">four eyes</Checkbox>
      <span class="fill" />
      <Button size="small" :disabled="index === 0" @click="emit('move', -1)">Earlier</Button>
      <Button size="small" :disabled="last" @click="emit('move', 1)">Later</Button>
      <Button size="small" @click="emit('remove')">Remove</Button>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </fieldset>
</template>

<style scoped>
.labelled,
.line-of > label:not([class*='ant']) {
  display: grid;
  gap: 2px;
}
.step {
  border: 0;
  border-left: 4px solid var(--internal);
  padding: 2px 0 8px 12px;
  margin: 0 0 12px;
}
.step.client {
  border-left-color: var(--client);
}
.step.bad {
  border-left-color: var(--trouble);
}
legend {
  font-weight: 600;
  padding: 0;
}
.line-of {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: end;
  margin: 4px 0;
}
.grow {
  flex: 1 1 200px;
}
</style>
