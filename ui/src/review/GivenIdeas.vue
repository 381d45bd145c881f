<script setup lang="ts">
// What somebody of the client's side has given as an idea, with what became of each, and a place for one more.
import { LENGTHS } from '@/api/lengths'
import { computed, onMounted, ref, watch } from 'vue'
import type { Given } from './api'
import { GIVEN } from './given-texts'
import { kept } from './kept'
import type { Language } from './language'

const props = defineProps<{
  language: Language
  read: () => Promise<Given>
  give: (said: { title: string; note: string }) => Promise<unknown>
}>()
const t = computed(() => GIVEN[props.language])
const given = ref<Given>()
const asking = ref(false)
const title = ref(kept('say', 'idea-title').read())
const note = ref(kept('say', 'idea-note').read())
watch(title, (words) => kept('say', 'idea-title').write(words))
watch(note, (words) => kept('say', 'idea-note').write(words))
const busy = ref(false)
const told = ref('')

async function fetch() {
  given.value = await props.read().catch(() => undefined)
}
onMounted(() => void fetch())
async function send() {
  busy.value = true
  told.value = ''
  try {
    await props.give({ title: title.value, note: note.value })
    title.value = ''
    note.value = ''
    asking.value = false
    told.value = t.value.thanks
    await fetch()
  } catch (problem) {
    told.value = problem instanceof Error ? problem.message : String(problem)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section v-if="given && (given.open || given.ideas.length > 0)" class="given">
    <template v-if="given.open">
      <button v-if="!asking" type="button" class="plain" @click="asking = true">{{ t.ask }}</button>
      <form v-else @submit.prevent="send">
        <label for="given-title">{{ t.title }}</label>
        <input id="given-title" v-model="title" dir="auto" :maxlength="LENGTHS.idea_title" required />
        <label for="given-note">{{ t.note }}</label>
        <textarea id="given-note" v-model="note" dir="auto" rows="3" :maxlength="LENGTHS.words" />
        <p class="two">
          <button type="button" class="plain" @click="asking = false">{{ t.later }}</button>
          <button type="submit" class="dark" :disabled="busy || title.trim() === ''">{{ t.give }}</button>
        </p>
      </form>
      <p role="status">{{ told }}</p>
    </template>
    <template v-if="given.ideas.length > 0">
      <h2>{{ t.yours }}</h2>
      <ul>
        <li v-for="one in given.ideas" :key="one.id">
          <b dir="auto">{{ one.title }}</b> <span>{{ t.states[one.state] }}</span>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.given {
  max-width: 560px;
  margin-top: 26px;
}
form {
  display: grid;
  gap: 6px;
}
label {
  color: var(--ink-2);
}
input,
textarea {
  width: 100%;
  padding: 8px 10px;
  font: inherit;
  background: var(--sheet);
  border: 1px solid var(--edge);
  border-radius: 3px;
}
.two {
  display: flex;
  gap: 10px;
}
button {
  min-height: 44px;
  padding: 0 16px;
  font: inherit;
  border: 1px solid var(--edge);
  border-radius: 3px;
  background: var(--sheet);
  cursor: pointer;
}
button.dark {
  color: var(--sheet);
  background: var(--ink);
  border-color: var(--ink);
}
button:disabled {
  opacity: 0.5;
}
h2 {
  margin-top: 18px;
  font-size: 15px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  justify-content: space-between;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
li b {
  font-weight: 600;
}
</style>
