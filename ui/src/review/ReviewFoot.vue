<script setup lang="ts">
// The answers, always in reach: yes, a change with its words, or something said that is no answer. What was typed is
// never dropped: a yes asks first what is to become of it.
import { computed, nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import { selectedIn } from '@/talk/selected'
import type { Answers } from './answers'
import type { About, Line } from './api'
import { kept } from './kept'
import { fill, plural, t } from './language'
import { usePointed } from './pointed'

const props = defineProps<{ line: Line; answers: Answers; unseen: () => string }>()
const emit = defineEmits<{ answered: [] }>()
const { note, busy, waiting } = props.answers

const mode = ref<'choose' | 'change' | 'both'>('choose')
const words = ref('')
const saying = ref('')
const only = ref<string[]>([])
const field = ref<HTMLTextAreaElement>()
const short = ref(window.innerHeight < 520)
const ended = computed(() => props.line.ended !== null && props.line.ended !== 'answered')

// Only another post begins anew; the same one fetched again keeps what is being typed.
watch(
  () => props.line.id,
  (id) => {
    mode.value = 'choose'
    only.value = []
    words.value = kept('change', id).read()
    saying.value = kept('say', id).read()
  },
  { immediate: true },
)
watch(words, (text) => kept('change', props.line.id).write(text))
watch(saying, (text) => kept('say', props.line.id).write(text))

function yes() {
  note.value = props.unseen()
  if (note.value !== '') return
  if (saying.value.trim() !== '' || words.value.trim() !== '') mode.value = 'both'
  else void give('yes', '')
}
const typed = computed(() => [words.value.trim(), saying.value.trim()].filter(Boolean).join('\n'))

async function give(verdict: 'yes' | 'change' | 'no', said: string) {
  if (await props.answers.give(props.line, verdict, said, only.value)) {
    words.value = ''
    saying.value = ''
    emit('answered')
  } else {
    words.value = kept('change', props.line.id).read()
    saying.value = kept('say', props.line.id).read()
  }
}

function want() {
  if (words.value === '' && saying.value.trim() !== '') {
    words.value = saying.value
    saying.value = ''
  }
  mode.value = 'change'
  short.value = window.innerHeight < 520
  void nextTick(() => field.value?.focus())
}

async function say() {
  if (saying.value.trim() !== '' && (await props.answers.say(props.line, saying.value, about.value))) {
    saying.value = ''
    about.value = undefined
  }
}

// Words of the post that are selected: something is said about them, or others are suggested.
const about = ref<About>()
const instead = ref<string>()
const exact = computed(() => (about.value?.kind === 'words' ? about.value.exact : undefined))
function look() {
  if (instead.value !== undefined) return
  const at = window.getSelection()?.anchorNode?.parentElement?.closest<HTMLElement>('[data-copy]')
  const variant = props.line.variants.find((one) => one.adaptation_ids[0] === at?.dataset.copy)
  const words = at && variant && selectedIn(at, variant.text)
  if (words) about.value = { kind: 'words', adaptation_id: variant.adaptation_ids[0]!, ...words }
}
// A press on a picture points at that spot; the picture shows it.
const spot = usePointed()
watch(spot, (found) => {
  const here = props.line.variants.some((one) => one.adaptation_ids[0] === found?.adaptation_id)
  if (found && here && instead.value === undefined && mode.value === 'choose') about.value = found
})
watch(about, (now) => (spot.value = now?.kind === 'spot' ? now : undefined))
onMounted(() => document.addEventListener('selectionchange', look))
onUnmounted(() => document.removeEventListener('selectionchange', look))
watch(
  () => props.line.id,
  () => {
    about.value = undefined
    instead.value = undefined
  },
)
const other = ref<HTMLTextAreaElement>()
function rewrite() {
  instead.value = exact.value
  void nextTick(() => other.value?.focus())
}
async function suggest() {
  const words = instead.value ?? ''
  if (words === exact.value || !(await props.answers.say(props.line, '', about.value, words))) return
  about.value = undefined
  instead.value = undefined
}
</script>

<template>
  <footer>
    <p v-if="note" class="note" role="status">{{ note }}</p>
    <p v-if="waiting > 0" class="note" role="status">
      {{ fill(t().offlineWaiting, { waits: plural(waiting, t().waits) }) }}
    </p>
    <form v-if="instead !== undefined" @submit.prevent="suggest">
      <label for="instead">{{ t().suggestLabel }}</label>
      <textarea id="instead" ref="other" v-model="instead" dir="auto" rows="3" />
      <div class="two">
        <button type="button" class="plain" @click="instead = undefined">{{ t().back }}</button>
        <button type="submit" class="dark" :disabled="busy || instead === exact">
          {{ t().sendSuggestion }}
        </button>
      </div>
    </form>
    <form v-else-if="mode === 'change'" @submit.prevent="give('change', words)">
      <label for="change">{{ t().what }}</label>
      <textarea id="change" ref="field" v-model="words" dir="auto" rows="3" />
      <details class="further" :open="!short">
        <summary>{{ line.variants.length > 1 ? t().onlySome : t().notAtAll }}</summary>
        <fieldset v-if="line.variants.length > 1">
          <legend>{{ t().which }}</legend>
          <label v-for="variant in line.variants" :key="variant.adaptation_ids[0]"
            ><input v-model="only" type="checkbox" :value="variant.adaptation_ids[0]" />
            {{ variant.channels.map((one) => one.name).join(', ') }}</label
          >
        </fieldset>
        <button type="button" class="never" :disabled="words.trim() === '' || busy" @click="give('no', words)">
          {{ t().never }}
        </button>
      </details>
      <div class="two">
        <button type="button" class="plain" @click="mode = 'choose'">{{ t().back }}</button>
        <button type="submit" class="dark" :disabled="words.trim() === '' || busy">{{ t().sendChange }}</button>
      </div>
    </form>
    <div v-else-if="mode === 'both'" role="group" aria-labelledby="both">
      <p id="both" class="note">
        <bdi>{{ fill(t().bothQuestion, { words: typed }) }}</bdi>
      </p>
      <div class="two">
        <button type="button" class="plain" @click="want">{{ t().itIsChange }}</button>
        <button type="button" class="yes" :disabled="busy" @click="give('yes', typed)">{{ t().yesAlong }}</button>
      </div>
      <button type="button" class="never" @click="mode = 'choose'">{{ t().back }}</button>
    </div>
    <template v-else>
      <p v-if="about" class="about">
        <bdi>{{ exact === undefined ? t().aboutSpot : fill(t().aboutWords, { words: exact }) }}</bdi>
        <button v-if="exact !== undefined" type="button" class="never" @click="rewrite">
          {{ t().suggest }}
        </button>
        <button type="button" class="never" @click="about = undefined">{{ t().notAbout }}</button>
      </p>
      <form class="say" @submit.prevent="say">
        <label for="say" class="hidden">{{ t().say }}</label>
        <input id="say" v-model="saying" dir="auto" :placeholder="t().say" autocomplete="off" />
        <button v-if="saying.trim()" type="submit" class="dark small">{{ t().send }}</button>
      </form>
      <div v-if="!ended" class="two">
        <button type="button" class="plain" @click="want">{{ t().change }}</button>
        <button type="button" class="yes" :disabled="busy" @click="yes">{{ t().yes }}</button>
      </div>
    </template>
  </footer>
</template>
