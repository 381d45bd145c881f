<script setup lang="ts">
// The client's review: one proof at a time, three things to do, progress as segments, the answers always in reach.
import { computed, defineAsyncComponent, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import { useAnswers } from './answers'
import { fetchGiven, giveIdea, type Line } from './api'
import { LANGUAGES, choose, fill, spokenLanguage, t, type Language } from './language'
import ReviewEnd from './ReviewEnd.vue'
import ReviewFoot from './ReviewFoot.vue'
import ReviewPost from './ReviewPost.vue'
import { filled, watchVariants, type Watch } from './seen'
import { COLOUR } from './verdicts'

// what most people never open comes when it is opened
const ReviewList = defineAsyncComponent(() => import('./ReviewList.vue'))
const GivenIdeas = defineAsyncComponent(() => import('./GivenIdeas.vue'))
const ReviewPin = defineAsyncComponent(() => import('./ReviewPin.vue'))

const answers = useAnswers()
const {
  review,
  over,
  unreached,
  note,
  left,
  looking,
  pinWanted,
  waiting,
  lines,
  verdictOf,
  saidBy,
  open,
  load,
  flush,
} = answers
const inList = ref(sessionStorage.getItem('review in a list') === 'yes')
watch(inList, (yes) => sessionStorage.setItem('review in a list', yes ? 'yes' : 'no'))
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
    if (!review.value && unreached.value) window.setTimeout(() => void begin(), 4_000)
    return
  }
  document.title = fill(t().title, { client: review.value!.client })
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
      ? watchVariants(top.value, { head: document.querySelector('header'), foot: document.querySelector('footer') })
      : undefined
}

/** Why no yes can be given yet: something of it was not seen, which is brought into sight. */
function unseen(): string {
  const one = line.value
  if (!one || !watched) return ''
  for (const [index] of one.variants.entries()) {
    const place = watched.unseen(index)
    if (place === undefined) continue
    const variant = document.querySelector(`[data-variant="${index}"]`)
    const head = document.querySelector('header')?.getBoundingClientRect().height ?? 0
    window.scrollTo({ top: place - head - 8, behavior: 'smooth' })
    if (variant && !filled(variant)) return t().unseenPictures
    return variant && place > variant.getBoundingClientRect().top + window.scrollY + 1 ? t().unseenMore : t().unseenOne
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
  const state = verdict ? t().verdicts[verdict] : one.ended ? t().needless : t().unanswered
  return fill(t().postNumber, { number: String(index + 1), state })
}
function change(index: number) {
  inList.value = false
  go(index)
}
const speakIn = (event: Event) => void choose((event.target as HTMLSelectElement).value as Language)
const place = computed(() => {
  const count = String(lines.value.length)
  return fill(t().of, { number: done.value || inList.value ? count : String(at.value + 1), count })
})
</script>

<template>
  <ReviewPin v-if="pinWanted" @verified="begin" />
  <main v-else-if="over" class="alone">
    <h1>{{ review?.client ?? t().yourYes }}</h1>
    <p role="alert">{{ over }}</p>
  </main>
  <main v-else-if="!review" class="alone">
    <p>{{ t().opening }}</p>
  </main>
  <div v-else class="page">
    <p v-if="looking" class="looking" role="status">{{ fill(t().looking, { me: review.me }) }}</p>
    <header>
      <p class="who">
        <b>{{ review.client }}</b>
        <label class="tongue"
          ><span class="hidden">{{ t().language }}</span>
          <select :value="spokenLanguage()" @change="speakIn">
            <option v-for="(name, key) in LANGUAGES" :key="key" :value="key" :lang="key">{{ name }}</option>
          </select></label
        >
        <button v-if="lines.length > 1 && !done" type="button" class="turn" @click="inList = !inList">
          {{ inList ? t().oneByOne : t().allInList }}
        </button>
        <span>{{ place }}</span>
      </p>
      <nav v-if="!inList || done" class="segments" :aria-label="t().postsOf">
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
    <p v-if="left.length > 0" class="left" role="status">{{ t().partly }} {{ left.join(' ') }}</p>
    <ReviewList v-if="inList && !done" :answers="answers" @change="change" />
    <main v-else-if="line" ref="top" tabindex="-1">
      <ReviewPost
        :review="review"
        :line="line"
        :verdict="verdictOf(line)"
        :said-by="saidBy(line)"
        :first="at === 0"
        :pointable="answerable && at === 0"
      />
    </main>
    <main v-else ref="top" tabindex="-1" class="end">
      <ReviewEnd :review="review" :waiting="waiting" :verdict-of="verdictOf" :said-by="saidBy" @go="go" />
      <GivenIdeas v-if="!looking" :language="spokenLanguage()" :read="fetchGiven" :give="giveIdea" />
    </main>
    <ReviewFoot
      v-if="!inList && line && answerable"
      :line="line"
      :answers="answers"
      :unseen="unseen"
      @answered="go(next())"
    />
  </div>
</template>
