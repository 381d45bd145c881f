<script setup lang="ts">
// The end of an ask: what became of each post, in sentences that are true of them all.
import { computed } from 'vue'
import type { Line, Review, Verdict } from './api'
import { wallTime } from './times'
import { fill, t } from './language'
import { COLOUR, endedShort } from './verdicts'

const props = defineProps<{
  review: Review
  waiting: number
  verdictOf: (line: Line) => Verdict | undefined
  saidBy: (line: Line) => string | undefined
}>()
const emit = defineEmits<{ go: [index: number] }>()

// Nobody is thanked for what somebody else said in their name.
const own = computed(() => props.review.lines.filter((line) => props.verdictOf(line) && !props.saidBy(line)))
const answered = computed(() => own.value.length)
const yes = computed(() => own.value.some((line) => props.verdictOf(line) === 'yes'))
const sentence = computed(() => {
  if (props.waiting > 0) return t().allWait
  if (answered.value === 0) return t().noneNeeded
  const rest = answered.value < props.review.lines.length ? t().restNeedless : ''
  const given = fill(answered.value === 1 ? t().hasAnswer : t().hasAnswers, { asker: props.review.asked_by })
  return [given, yes.value ? t().goesOut : '', rest].filter(Boolean).join(' ')
})
function state(line: Line) {
  const verdict = props.verdictOf(line)
  const who = props.saidBy(line)
  if (who) return fill(t().saidForShort, { who })
  return verdict ? t().verdicts[verdict] : endedShort(line.ended)
}
</script>

<template>
  <h1>{{ fill(answered > 0 ? t().thanks : t().done, { name: review.me.split(' ')[0]! }) }}</h1>
  <p>{{ sentence }}</p>
  <ul>
    <li v-for="(line, index) in review.lines" :key="line.id">
      <button type="button" @click="emit('go', index)">
        <span>{{ wallTime(line.wall) }}</span>
        <b :class="verdictOf(line) ? COLOUR[verdictOf(line)!] : ''">{{ state(line) }}</b>
      </button>
    </li>
  </ul>
</template>
