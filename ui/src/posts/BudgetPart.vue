<script setup lang="ts">
// What boosting it may cost, in the client's currency; kept in its smallest unit.
import { Input } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { digits, minorOf, typedAmount, type Money } from '@/api/money'
import { useEditor, type EditorProps } from './editing'
import SaysState from './SaysState.vue'

const props = defineProps<EditorProps>()
const { value, state, problem, theirs, change, save, keepMine, takeTheirs, drop, where } = useEditor<Money | null>(
  props,
  'budget',
  null,
)
const currency = computed(() => value.value?.currency ?? props.sheet.currency)
const amount = ref('')
const wrong = ref('')
watch(
  value,
  (now) => {
    if (state.value === 'saved') amount.value = now ? typedAmount(now) : ''
  },
  { immediate: true },
)
const id = computed(() => `budget-${props.one?.channel.id ?? 'master'}`)
function typed() {
  const minor = minorOf(amount.value, digits(currency.value))
  wrong.value = minor === undefined ? `Write an amount such as ${(40).toFixed(digits(currency.value))}.` : ''
  if (minor !== undefined) change(minor === 0 ? null : { minor, currency: currency.value })
}
</script>

<template>
  <div class="small-form">
    <label :for="id">Amount{{ where }} in {{ currency }}</label>
    <Input
      :id="id"
      v-model:value="amount"
      inputmode="decimal"
      :readonly="!!off"
      placeholder="none"
      @input="typed"
      @blur="save()"
    />
    <p v-if="wrong" class="late" role="status">{{ wrong }}</p>
    <SaysState
      :state="state"
      :problem="problem"
      :by="theirs?.by"
      :theirs="theirs?.value"
      @mine="keepMine"
      @theirs="takeTheirs"
      @drop="drop"
    />
  </div>
</template>
