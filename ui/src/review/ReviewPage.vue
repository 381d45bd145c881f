<script setup lang="ts">
// The client's review: one proof at a time, three things to do, progress as segments, the answers always in reach.
import { computed, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import { Offline, Queue, Refusal, enter, fetchReview, onlyLooking, remark, sendAnswer, type Line, type Review, type Verdict } from './api'
import ReviewWay from './ReviewWay.vue'
import { filled, watchWays } from './seen'
import { dueTime, wallTime } from './times'

const review = ref<Review>()
const over = ref('')
const at = ref(0)
const wanting = ref(false)
const words = ref('')
const only = ref<string[]>([])
const saying = ref('')
const note = ref('')
// For which channels the last answer could not be taken, and why; the others have it.
const left = ref<string[]>([])
const busy = ref(false)
const waiting = ref(0)
const seen = ref(new Set<string>())
const top = ref<HTMLElement>()
const field = ref<HTMLTextAreaElement>()
const looking = ref(false)
let queue: Queue | undefined
let flushing = false

const lines = computed(() => review.value?.lines ?? [])
const line = computed(() => lines.value[at.value])
const done = computed(() => lines.value.length > 0 && at.value >= lines.value.length)
const next = computed(() => lines.value.findIndex((one) => verdictOf(one) === undefined && !one.ended))

// What the person has answered counts here at once, also while it still waits for a connection.
const given = ref<Record<string, Verdict>>({})
function verdictOf(one: Line): Verdict | undefined {
  return given.value[one.id] ?? (one.verdict as Verdict | null) ?? undefined
}

async function load() {
  try {
    await enter()
    looking.value = onlyLooking()
    review.value = await fetchReview()
    if (looking.value) return
    queue = new Queue(review.value)
    waiting.value = queue.all().length
    document.title = `${review.value.client}: for your yes`
    at.value = next.value === -1 ? lines.value.length : next.value
    void flush()
  } catch (error) {
    over.value = error instanceof Offline ? 'There is no connection at the moment. Keep this page open; it tries again by itself.' : (error as Error).message
    if (error instanceof Offline) window.setTimeout(() => void load(), 4_000)
  }
}
const ended = new AbortController()
onMounted(() => {
  void load()
  window.addEventListener('online', () => void flush(), { signal: ended.signal })
  const again = window.setInterval(() => void flush(), 5_000)
  ended.signal.addEventListener('abort', () => window.clearInterval(again))
})
onUnmounted(() => ended.abort())

const key = computed(() => `words:${line.value?.id ?? ''}`)
// Only another post begins anew; the same one fetched again keeps what is being typed and said.
watch(
  () => line.value?.id,
  (id) => {
    wanting.value = false
    note.value = ''
    saying.value = ''
    only.value = []
    words.value = id ? (localStorage.getItem(key.value) ?? '') : ''
    void nextTick(watchAnew)
  },
)
watch(words, (text) => line.value && localStorage.setItem(key.value, text))

// A yes given before every way was seen brings the next one first.
let unwatch = () => {}
function watchAnew() {
  unwatch()
  const one = line.value
  if (!one || !top.value) return
  unwatch = watchWays(top.value, { head: document.querySelector('header'), foot: document.querySelector('footer') }, (way) => seen.value.add(`${one.id}:${way}`))
}
function firstUnseen(one: Line): number {
  return one.ways.findIndex((_, index) => !seen.value.has(`${one.id}:${index}`))
}

function yes() {
  const one = line.value
  if (!one) return
  const unseen = firstUnseen(one)
  if (unseen >= 0) {
    const way = document.querySelector(`[data-way="${unseen}"]`)
    note.value = way && !filled(way) ? 'Its pictures are still on their way. Say yes when you have seen them.' : 'This is one you had not seen; say yes when you have.'
    way?.scrollIntoView({ behavior: 'smooth', block: 'start' })
    return
  }
  void give('yes', '')
}

async function give(verdict: Verdict, said: string) {
  const one = line.value
  if (!one || !queue || busy.value) return
  busy.value = true
  left.value = []
  const item = { key: crypto.randomUUID(), line: one.id, body: { verdict, words: said, shown: one.shown, seen: one.seen, ...(verdict !== 'yes' && only.value.length > 0 ? { only: only.value } : {}) } }
  queue.put(item)
  try {
    const reply = await sendAnswer(item)
    queue.drop(item.key)
    left.value = reply.left_out.map((out) => out.sentence)
    settled(one, verdict)
    review.value = await fetchReview()
  } catch (error) {
    if (error instanceof Offline) {
      waiting.value = queue.all().length
      settled(one, verdict)
    } else {
      queue.drop(item.key)
      note.value = (error as Error).message
      if (error instanceof Refusal && ['outdated', 'answered_since', 'withdrawn', 'moved', 'taken_off', 'too_late', 'pass_over'].includes(error.code)) await again()
    }
  } finally {
    busy.value = false
  }
}

async function again() {
  try {
    review.value = await fetchReview()
  } catch (error) {
    if (!(error instanceof Offline)) over.value = (error as Error).message
  }
}

function settled(one: Line, verdict: Verdict) {
  given.value = { ...given.value, [one.id]: verdict }
  localStorage.removeItem(key.value)
  words.value = ''
  go(next.value === -1 ? lines.value.length : next.value)
}

function go(index: number) {
  at.value = index
  void nextTick(() => {
    window.scrollTo(0, 0)
    top.value?.focus()
  })
}

async function flush() {
  if (!queue || busy.value || flushing) return
  flushing = true
  try {
    await sendWaiting(queue)
  } finally {
    flushing = false
  }
}

async function sendWaiting(queue: Queue) {
  for (const one of queue.all()) {
    try {
      const reply = await sendAnswer(one)
      queue.drop(one.key)
      left.value = [...left.value, ...reply.left_out.map((out) => out.sentence)]
    } catch (error) {
      if (error instanceof Offline) break
      queue.drop(one.key)
      note.value = (error as Error).message
      const { [one.line]: _refused, ...rest } = given.value
      given.value = rest
    }
  }
  const before = waiting.value
  waiting.value = queue.all().length
  if (before > 0 && waiting.value === 0) await again()
}

async function say() {
  const one = line.value
  if (!one || saying.value.trim() === '') return
  try {
    await remark(one.id, saying.value)
    saying.value = ''
    note.value = `Said. ${review.value?.asked_by ?? 'The agency'} reads it beside this post; it is not an answer.`
    await again()
  } catch (error) {
    note.value = error instanceof Offline ? 'No connection: your words stay in the field.' : (error as Error).message
  }
}

function want() {
  wanting.value = true
  void nextTick(() => field.value?.focus())
}
const COLOUR: Record<Verdict, string> = { yes: 'yes', change: 'change', no: 'change' }
const SAID: Record<Verdict, string> = { yes: 'Yes, it can go out', change: 'Change wanted', no: 'No, not at all' }
function segment(one: Line, index: number) {
  const verdict = verdictOf(one)
  return [verdict ? COLOUR[verdict] : '', { here: index === at.value, ended: one.ended === 'withdrawn' || one.ended === 'outdated' }]
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
        <b>{{ review.client }}</b> <span>{{ done ? 'all answered' : `${at + 1} of ${lines.length}` }}</span>
      </p>
      <nav class="segments" aria-label="Posts of this ask">
        <button
          v-for="(one, index) in lines"
          :key="one.id"
          type="button"
          :class="segment(one, index)"
          :aria-label="`Post ${index + 1}: ${verdictOf(one) ? SAID[verdictOf(one)!] : 'not answered yet'}`"
          :aria-current="index === at"
          @click="go(index)"
        >
          <i />
        </button>
      </nav>
    </header>
    <p v-if="left.length > 0" class="left" role="status">Your answer before this one was taken, but not everywhere. {{ left.join(' ') }}</p>
    <main v-if="line" ref="top" tabindex="-1">
      <p v-if="at === 0 && review.message" class="message">
        <b>{{ review.asked_by }}:</b> <bdi>{{ review.message }}</bdi>
      </p>
      <h1>{{ wallTime(line.wall) }}</h1>
      <p class="quiet">
        <template v-if="line.ways.length > 1">It appears in {{ line.ways.length === 2 ? 'two' : line.ways.length }} ways. {{ line.ways.length === 2 ? 'Both' : 'All' }} are below.</template>
        <template v-else>This is exactly how it appears.</template>
        Your yes is wanted by {{ dueTime(review.due_at, review.zone) }}.
      </p>
      <ReviewWay v-for="(way, index) in line.ways" :key="way.adaptation_ids[0]" :way="way" :index="index" :count="line.ways.length" />
      <section v-if="line.talk.length > 0" class="talk" aria-label="What was said">
        <p v-for="one in line.talk" :key="one.at">
          <b>{{ one.mine ? 'You' : one.person }}</b> <bdi>{{ one.words }}</bdi>
        </p>
      </section>
      <p v-if="verdictOf(line)" class="given" :class="COLOUR[verdictOf(line)!]">
        You said: {{ SAID[verdictOf(line)!]
        }}<template v-if="line.words"
          >: “<bdi>{{ line.words }}</bdi
          >”</template
        >
      </p>
      <p v-if="line.ended === 'withdrawn'" class="given">The agency withdrew this one; nothing is needed from you.</p>
      <p v-else-if="line.ended === 'outdated'" class="given">A newer version of this one was asked for meanwhile; you find it in a newer mail.</p>
    </main>
    <main v-else ref="top" tabindex="-1" class="end">
      <h1>Thank you, {{ review.me.split(' ')[0] }}</h1>
      <p>
        {{ waiting > 0 ? 'Your answers wait on this phone and are sent when the connection is back. Keep this page open.' : `${review.asked_by} has your answers. What you said yes to goes out exactly as you saw it.` }}
      </p>
      <ul>
        <li v-for="(one, index) in lines" :key="one.id">
          <button type="button" @click="go(index)">
            <span>{{ wallTime(one.wall) }}</span> <b :class="verdictOf(one) ? COLOUR[verdictOf(one)!] : ''">{{ verdictOf(one) ? SAID[verdictOf(one)!] : 'not answered' }}</b>
          </button>
        </li>
      </ul>
    </main>
    <footer v-if="!looking && line && line.ended !== 'withdrawn' && line.ended !== 'outdated'">
      <p v-if="note" class="note" role="status">{{ note }}</p>
      <p v-if="waiting > 0" class="note" role="status">No connection: {{ waiting }} {{ waiting === 1 ? 'answer waits' : 'answers wait' }} on this phone.</p>
      <form v-if="wanting" @submit.prevent="give('change', words)">
        <label for="change">What is to be changed?</label>
        <textarea id="change" ref="field" v-model="words" dir="auto" rows="3" />
        <fieldset v-if="line.ways.length > 1">
          <legend>About which? (all, if none is ticked)</legend>
          <label v-for="way in line.ways" :key="way.adaptation_ids[0]"><input v-model="only" type="checkbox" :value="way.adaptation_ids[0]" /> {{ way.channels.map((one) => one.name).join(', ') }}</label>
        </fieldset>
        <div class="two">
          <button type="button" class="plain" @click="wanting = false">Back</button>
          <button type="submit" class="dark" :disabled="words.trim() === '' || busy">Send this change</button>
        </div>
        <button type="button" class="never" :disabled="words.trim() === '' || busy" @click="give('no', words)">No, it must not go out at all</button>
      </form>
      <template v-else>
        <form class="say" @submit.prevent="say">
          <label for="say" class="hidden">Say something about this one</label>
          <input id="say" v-model="saying" placeholder="Say something about this one" autocomplete="off" />
          <button v-if="saying.trim()" type="submit" class="dark small">Say it</button>
        </form>
        <div class="two">
          <button type="button" class="plain" @click="want">Change this</button>
          <button type="button" class="yes" :disabled="busy" @click="yes">Yes, it can go out</button>
        </div>
      </template>
    </footer>
  </div>
</template>
