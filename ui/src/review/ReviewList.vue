<script setup lang="ts">
// All posts of an ask under each other, by day: each with its answers, and one yes for all that are left once each was
// seen to its end.
import { computed, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import type { Answers } from './answers'
import type { Line } from './api'
import { fill, plural, t } from './language'
import ReviewPost from './ReviewPost.vue'
import { watchVariants, type Watch } from './seen'
import { wallDay } from './times'

const props = defineProps<{ answers: Answers }>()
const emit = defineEmits<{ change: [index: number] }>()
const { review, lines, busy, note, looking, waiting, verdictOf, saidBy, open } = props.answers
const root = ref<HTMLElement>()
const sure = ref(false)

interface Placed {
  line: Line
  index: number
  place: number
}
const placed = computed<Placed[]>(() => {
  let place = 0
  return lines.value.map((line, index) => {
    const one = { line, index, place }
    place += line.variants.length
    return one
  })
})
const days = computed(() => {
  const found = new Map<string, Placed[]>()
  for (const one of placed.value) {
    const day = wallDay(one.line.wall)
    found.set(day, [...(found.get(day) ?? []), one])
  }
  return [...found]
})
const left = computed(() => placed.value.filter((one) => open(one.line)))

let watched: Watch | undefined
function watchAnew() {
  watched?.end()
  watched = root.value
    ? watchVariants(root.value, { head: document.querySelector('header'), foot: document.querySelector('footer') })
    : undefined
}
onMounted(() => void nextTick(watchAnew))
onUnmounted(() => watched?.end())
watch(
  () => lines.value.length,
  () => void nextTick(watchAnew),
)

/** Brings what was not seen of these into sight. */
function unseen(of: Placed[]): boolean {
  for (const one of of)
    for (let variant = 0; variant < one.line.variants.length; variant += 1) {
      const place = watched?.unseen(one.place + variant)
      if (place === undefined) continue
      const head = document.querySelector('header')?.getBoundingClientRect().height ?? 0
      window.scrollTo({ top: place - head - 8, behavior: 'smooth' })
      return true
    }
  return false
}
async function yes(one: Placed) {
  note.value = unseen([one]) ? t().unseenMore : ''
  if (note.value === '') await props.answers.give(one.line, 'yes', '')
}
function askAll() {
  note.value = unseen(left.value) ? t().seeFirst : ''
  sure.value = note.value === ''
}
async function yesToAll() {
  sure.value = false
  for (const one of left.value) if (!(await props.answers.give(one.line, 'yes', ''))) return
}
const posts = computed(() => plural(left.value.length, t().posts))
</script>

<template>
  <main ref="root" tabindex="-1" class="list">
    <section v-for="[day, group] in days" :key="day">
      <h1>{{ day }}</h1>
      <article v-for="one in group" :key="one.line.id">
        <ReviewPost
          :review="review!"
          :line="one.line"
          :verdict="verdictOf(one.line)"
          :said-by="saidBy(one.line)"
          :first="one.index === 0"
          listed
          :place="one.place"
        />
        <div v-if="open(one.line) && !looking" class="two">
          <button type="button" class="plain" @click="emit('change', one.index)">{{ t().change }}</button>
          <button type="button" class="yes" :disabled="busy" @click="yes(one)">{{ t().yes }}</button>
        </div>
      </article>
    </section>
  </main>
  <footer v-if="!looking">
    <p v-if="note" class="note" role="status">{{ note }}</p>
    <p v-if="waiting > 0" class="note" role="status">
      {{ fill(t().offlineWaiting, { waits: plural(waiting, t().waits) }) }}
    </p>
    <div v-if="sure && left.length > 0" role="group" aria-labelledby="sure">
      <p id="sure" class="note">{{ fill(t().yesToAllSure, { posts }) }}</p>
      <div class="two">
        <button type="button" class="plain" @click="sure = false">{{ t().back }}</button>
        <button type="button" class="yes" :disabled="busy" @click="yesToAll">{{ t().yes }}</button>
      </div>
    </div>
    <button v-else-if="left.length > 1" type="button" class="yes wide" :disabled="busy" @click="askAll">
      {{ plural(left.length, t().yesToAll) }}
    </button>
  </footer>
</template>
