<script setup lang="ts">
// The end of an ask: what became of each post, in sentences that are true of them all.
import { computed } from 'vue'
import type { Line, Review, Verdict } from './api'
import { wallTime } from './times'
import { COLOUR, ENDED, SAID } from './verdicts'

const props = defineProps<{ review: Review; waiting: number; verdictOf: (line: Line) => Verdict | undefined }>()
const emit = defineEmits<{ go: [index: number] }>()

const answered = computed(() => props.review.lines.filter((line) => props.verdictOf(line)).length)
const yes = computed(() => props.review.lines.some((line) => props.verdictOf(line) === 'yes'))
const sentence = computed(() => {
  if (props.waiting > 0)
    return 'Your answers wait on this phone and are sent when the connection is back. Keep this page open.'
  if (answered.value === 0) return 'Nothing of this is needed from you any more.'
  const rest = answered.value < props.review.lines.length ? 'Nothing is needed from you for the others.' : ''
  const given = `${props.review.asked_by} has your ${answered.value === 1 ? 'answer' : 'answers'}.`
  return [given, yes.value ? 'What you said yes to goes out exactly as you saw it.' : '', rest]
    .filter(Boolean)
    .join(' ')
})
function state(line: Line) {
  const verdict = props.verdictOf(line)
  return verdict ? SAID[verdict] : (ENDED[line.ended ?? ''] ?? 'not answered')
}
</script>

<template>
  <h1>{{ answered > 0 ? 'Thank you' : 'All done' }}, {{ review.me.split(' ')[0] }}</h1>
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
