<script setup lang="ts">
// One post of an ask as it will appear, with what was said about it.
import { computed } from 'vue'
import type { Line, Review, Verdict } from './api'
import ReviewWay from './ReviewWay.vue'
import { dueSentence, wallTime } from './times'
import { COLOUR, SAID, endedSentence } from './verdicts'

const props = defineProps<{ review: Review; line: Line; verdict?: Verdict; first: boolean }>()
const ended = computed(() => endedSentence(props.line.ended, props.review.asked_by))
const due = computed(() =>
  props.verdict || ended.value ? '' : dueSentence(props.review.due_at, props.review.zone, new Date()),
)
</script>

<template>
  <p v-if="first && review.message" class="message">
    <b>{{ review.asked_by }}:</b> <bdi>{{ review.message }}</bdi>
  </p>
  <h1>{{ wallTime(line.wall) }}</h1>
  <p class="quiet">
    <template v-if="line.ways.length > 1"
      >It appears in {{ line.ways.length === 2 ? 'two' : line.ways.length }} ways.
      {{ line.ways.length === 2 ? 'Both' : 'All' }} are below.</template
    >
    <template v-else>This is exactly how it appears.</template>
    {{ due }}
  </p>
  <ReviewWay
    v-for="(way, index) in line.ways"
    :key="way.adaptation_ids[0]"
    :way="way"
    :index="index"
    :count="line.ways.length"
  />
  <section v-if="line.talk.length > 0" class="talk" aria-label="What was said">
    <p v-for="one in line.talk" :key="one.at">
      <b>{{ one.mine ? 'You' : one.person }}</b> <bdi>{{ one.words }}</bdi>
    </p>
  </section>
  <p v-if="verdict" class="given" :class="COLOUR[verdict]">
    You said: {{ SAID[verdict]
    }}<template v-if="line.words"
      >: “<bdi>{{ line.words }}</bdi
      >”</template
    >
  </p>
  <p v-if="ended" class="given">{{ ended }}</p>
</template>
