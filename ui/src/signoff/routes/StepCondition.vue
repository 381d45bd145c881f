<script setup lang="ts">
// When a step is wanted: always, or only for posts with a label, on a channel, in a format, above a budget.
import { Button, Checkbox, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { Schemas } from '@/api/client'
import { digits, minorOf, typedAmount } from '@/api/money'
import ChoicesField from '@/parts/fields/ChoicesField.vue'
import type { Condition } from './route'

type Named = Schemas['NamedThing'][]
const props = defineProps<{
  id: string
  labels: Named
  channels: Named
  formats: Named
  currency: string
}>()
const condition = defineModel<Condition | null>({ required: true })
const options = (things: Named) => things.map((one) => ({ value: one.id, label: one.name }))
const amount = ref(condition.value?.budget ? typedAmount(condition.value.budget) : '')
const wrong = ref('')
const change = (more: Condition) => (condition.value = { ...condition.value, ...more })
const proposes = computed(() => condition.value?.proposes === 'times_or_prices')

function typed() {
  const minor = minorOf(amount.value, digits(props.currency))
  wrong.value = minor === undefined ? `Write an amount such as ${(500).toFixed(digits(props.currency))}.` : ''
  if (minor !== undefined) change({ budget: amount.value.trim() === '' ? null : { minor, currency: props.currency } })
}
</script>

<template>
  <div v-if="condition" class="condition">
    <p class="quiet">Only for what fits all of this; what is left empty does not matter.</p>
    <div class="fields">
      <span
        ><label :for="`${id}-labels`">Labelled</label>
        <ChoicesField
          :id="`${id}-labels`"
          :model-value="condition.labels ?? []"
          label="Labels"
          placeholder="any"
          :options="options(labels)"
          @update:model-value="change({ labels: $event })"
      /></span>
      <span
        ><label :for="`${id}-channels`">On</label>
        <ChoicesField
          :id="`${id}-channels`"
          :model-value="condition.channels ?? []"
          label="Channels"
          placeholder="any channel"
          :options="options(channels)"
          @update:model-value="change({ channels: $event })"
      /></span>
      <span
        ><label :for="`${id}-formats`">Format</label>
        <ChoicesField
          :id="`${id}-formats`"
          :model-value="condition.formats ?? []"
          label="Formats"
          placeholder="any"
          :options="options(formats)"
          @update:model-value="change({ formats: $event })"
      /></span>
      <span
        ><label :for="`${id}-budget`">Budget above, {{ currency }}</label>
        <Input :id="`${id}-budget`" v-model:value="amount" inputmode="decimal" placeholder="any" @input="typed"
      /></span>
    </div>
    <p v-if="wrong" class="late" role="status">{{ wrong }}</p>
    <Checkbox
      v-if="(condition.labels ?? []).length > 0"
      :checked="proposes"
      @change="change({ proposes: proposes ? null : 'times_or_prices' })"
      >propose the first label where a text names a time or a price</Checkbox
    >
    <div><Button size="small" @click="condition = null">Ask always</Button></div>
  </div>
  <Button v-else size="small" @click="condition = {}">Only for some posts …</Button>
</template>

<style scoped>
.condition {
  display: grid;
  gap: 6px;
  padding: 6px 0 6px 12px;
  border-left: 1px solid var(--rule);
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
  gap: 6px 12px;
}
</style>
