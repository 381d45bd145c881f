<script setup lang="ts">
// One post of an ask as it will appear, with what was said about it.
import { computed } from 'vue'
import type { Line, Review, Verdict } from './api'
import { fill, listed as together, t } from './language'
import ReviewVariant from './ReviewVariant.vue'
import { dueSentence, momentOf, wallClock, wallTime } from './times'
import { COLOUR, endedSentence } from './verdicts'

const props = withDefaults(
  defineProps<{
    review: Review
    line: Line
    verdict?: Verdict
    /** The colleague who gave it in the reader's name. */
    saidBy?: string
    first: boolean
    /** Whether words and pictures can be pointed at here, which is said once. */
    pointable?: boolean
    /** In a list the day stands above several. */
    listed?: boolean
    /** The number of its first variant among all that are on the page. */
    place?: number
  }>(),
  { listed: false, place: 0, verdict: undefined, saidBy: undefined },
)
const ended = computed(() => endedSentence(props.line.ended, props.review.asked_by))
const due = computed(() =>
  props.verdict || ended.value || props.listed
    ? ''
    : dueSentence(props.review.due_at, props.review.zone, new Date(props.review.now)),
)
const inName = computed(() => {
  if (!props.saidBy) return ''
  const time = momentOf(props.line.at!, props.review.zone)
  return fill(t().saidFor, { who: props.saidBy, time, words: props.line.words })
})
const variants = computed(() => {
  const count = props.line.variants.length
  if (count === 1) return t().exactly
  return count === 2 ? t().twoVariants : fill(t().manyVariants, { count: String(count) })
})
const others = (yes: boolean) =>
  props.line.others.filter((one) => (one.verdict === 'yes') === yes).map((one) => one.person)
</script>

<template>
  <p v-if="first && review.message" class="message">
    <b>{{ review.asked_by }}:</b> <bdi>{{ review.message }}</bdi>
  </p>
  <h2 v-if="listed" class="clock">{{ wallClock(line.wall) }}</h2>
  <h1 v-else>{{ wallTime(line.wall) }}</h1>
  <p class="quiet">{{ variants }} {{ due }}</p>
  <p v-if="others(true).length > 0 && !verdict" class="others">
    {{ fill(t().othersYes, { people: together(others(true)) }) }}
  </p>
  <p v-if="others(false).length > 0" class="others">
    {{ fill(t().othersNot, { people: together(others(false)) }) }}
  </p>
  <ReviewVariant
    v-for="(variant, index) in line.variants"
    :key="variant.adaptation_ids[0]"
    :variant="variant"
    :index="index"
    :place="place + index"
    :count="line.variants.length"
    :talk="line.talk"
  />
  <p v-if="pointable && !verdict" class="quiet">{{ t().pointHint }}</p>
  <section v-if="line.talk.length > 0" class="talk" :aria-label="t().saidHere">
    <p v-for="one in line.talk" :key="one.at">
      <b>{{ one.mine ? t().you : one.person }}</b>
      <span v-if="one.about" class="quiet">&#32;{{ fill(t().aboutWords, { words: one.about }) }}</span>
      <span v-else-if="one.spot" class="quiet">&#32;{{ t().aboutSpot }}</span>
      <bdi v-if="one.words !== '…'">&#32;{{ one.words }}</bdi>
      <bdi v-if="one.instead">&#32;{{ fill(t().suggested, { words: one.instead }) }}</bdi>
    </p>
  </section>
  <p v-if="inName" class="given" :class="COLOUR[verdict!]" dir="auto">{{ inName }}</p>
  <p v-else-if="verdict" class="given" :class="COLOUR[verdict]">
    {{ fill(t().youSaid, { verdict: t().verdicts[verdict] })
    }}<template v-if="line.words"
      >: “<bdi>{{ line.words }}</bdi
      >”</template
    >
  </p>
  <p v-if="ended" class="given">{{ ended }}</p>
</template>
