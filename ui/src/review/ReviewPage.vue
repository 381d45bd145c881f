<script setup lang="ts">
// The client's review: one proof at a time, three things to do, progress as segments, the answers always in reach.
import { computed, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import { useAnswers } from './answers'
import type { Line } from './api'
import ReviewEnd from './ReviewEnd.vue'
import ReviewFoot from './ReviewFoot.vue'
import ReviewPost from './ReviewPost.vue'
import { filled, watchWays, type Watch } from './seen'
import { COLOUR, SAID } from './verdicts'

const answers = useAnswers()
const { review, over, note, left, looking, waiting, lines, verdictOf, open, load, flush } = answers
const at = ref(0)
const top = ref<HTMLElement>()
const line = computed(() => lines.value[at.value])
const done = computed(() => lines.value.length > 0 && at.value >= lines.value.length)
const answerable = computed(
  () => line.value && !looking.value && !['withdrawn', 'outdated', 'skipped'].includes(line.value.ended ?? ''),
)

function next(): number {
  const found = lines.value.findIndex(open)
  return found === -1 ? lines.value.length : found
}

async function begin() {
  if (!(await load())) {
    if (!review.value && over.value.includes('tries again')) window.setTimeout(() => void begin(), 4_000)
    return
  }
  document.title = `${review.value!.client}: for your yes`
  at.value = next()
  history.replaceState({ at: at.value }, '')
}

// The phone's Back goes to the post before.
const gone = new AbortController()
onMounted(() => {
  void begin()
  const { signal } = gone
  window.addEventListener('online', () => void flush(), { signal })
  window.addEventListener('hashchange', () => location.reload(), { signal }) // a newer link in the same tab
  window.addEventListener('popstate', (event) => show((event.state as { at?: number } | null)?.at ?? 0), { signal })
  const again = window.setInterval(() => void flush(), 5_000)
  signal.addEventListener('abort', () => window.clearInterval(again))
})
onUnmounted(() => gone.abort())

let watched: Watch | undefined
watch(
  () => line.value?.id,
  () => void nextTick(watchAnew),
)
function watchAnew() {
  watched?.end()
  watched =
    line.value && top.value
      ? watchWays(top.value, { head: document.querySelector('header'), foot: document.querySelector('footer') })
      : undefined
}

/** Why no yes can be given yet: something of it was not seen, which is brought into sight. */
function unseen(): string {
  const one = line.value
  if (!one || !watched) return ''
  for (const [index] of one.ways.entries()) {
    const place = watched.unseen(index)
    if (place === undefined) continue
    const way = document.querySelector(`[data-way="${index}"]`)
    const head = document.querySelector('header')?.getBoundingClientRect().height ?? 0
    window.scrollTo({ top: place - head - 8, behavior: 'smooth' })
    if (way && !filled(way)) return 'Its pictures are still on their way. Say yes when you have seen them.'
    return way && place > way.getBoundingClientRect().top + window.scrollY + 1
      ? 'There is more of it here; say yes when you have seen it to its end.'
      : 'This is one you had not seen; say yes when you have.'
  }
  return ''
}

function go(index: number) {
  if (index !== at.value) history.pushState({ at: index }, '')
  show(index)
}
function show(index: number) {
  at.value = Math.min(Math.max(index, 0), lines.value.length)
  note.value = ''
  void nextTick(() => {
    window.scrollTo(0, 0)
    top.value?.focus()
  })
}
function segment(one: Line, index: number) {
  const verdict = verdictOf(one)
  return [verdict ? COLOUR[verdict] : '', { here: index === at.value, ended: !verdict && one.ended }]
}
function named(one: Line, index: number) {
  const verdict = verdictOf(one)
  return `Post ${index + 1}: ${verdict ? SAID[verdict] : one.ended ? 'nothing is needed' : 'not answered yet'}`
}
</script>

<template>
  <main v-if="over" class="alone">
    <h1>{{ review?.client ?? 'Your yes' }}</h1>
    <p role="alert">{{ over }}</p>
  </main>
  <main v-else-if="!review" class="alone"><p>Opening …</p></main>
  <div v-else class="page">
    <p v-if="looking" class="looking" role="status">As {{ review.me }} sees it. Nothing can be answered here.</p>
    <header>
      <p class="who">
        <b>{{ review.client }}</b>
        <span>{{ done ? `${lines.length} of ${lines.length}` : `${at + 1} of ${lines.length}` }}</span>
      </p>
      <nav class="segments" aria-label="Posts of this ask">
        <button
          v-for="(one, index) in lines"
          :key="one.id"
          type="button"
          :class="segment(one, index)"
          :aria-label="named(one, index)"
          :aria-current="index === at"
          @click="go(index)"
        >
          <i />
        </button>
      </nav>
    </header>
    <p v-if="left.length > 0" class="left" role="status">
      Your answer before this one was taken, but not everywhere. {{ left.join(' ') }}
    </p>
    <main v-if="line" ref="top" tabindex="-1">
      <ReviewPost :review="review" :line="line" :verdict="verdictOf(line)" :first="at === 0" />
    </main>
    <main v-else ref="top" tabindex="-1" class="end">
      <ReviewEnd :review="review" :waiting="waiting" :verdict-of="verdictOf" @go="go" />
    </main>
    <ReviewFoot v-if="line && answerable" :line="line" :answers="answers" :unseen="unseen" @answered="go(next())" />
  </div>
</template>
