<script setup lang="ts">
// The house's note for a month. What is typed is kept in this browser until it is saved; of two who write at once the
// second sees what the first wrote.
import { LENGTHS } from '@/api/lengths'
import { Button, Textarea } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, ref, watch } from 'vue'
import { api, ok, type Schemas } from '@/api/client'
import { monthYear } from '@/api/time'
import ActButton from '@/parts/ActButton.vue'
import { draft } from '@/parts/drafts'
import { useProblem } from '@/parts/problem'

const props = defineProps<{
  workspace: string
  month: string
  note: string
  version: number
  may?: Schemas['Can'][string]
}>()
const queries = useQueryClient()
const kept = computed(() => draft(`month:${props.workspace}:${props.month}`))
const typed = ref(kept.value.read() ?? props.note)
const writing = ref(kept.value.read() !== null)
const root = ref<HTMLElement>()
const seen = ref(props.version)
const { problem, busy, beside, run, clear } = useProblem()
const theirs = computed(() => {
  const facts = problem.value?.code === 'part_changed' ? problem.value.facts : undefined
  return facts && { note: String(facts.theirs), version: Number(facts.version) }
})
watch(typed, (text) => writing.value && kept.value.write(text))

async function begin() {
  typed.value = props.note
  seen.value = props.version
  writing.value = true
  await nextTick()
  root.value?.querySelector('textarea')?.focus()
}
async function end() {
  kept.value.clear()
  clear()
  writing.value = false
  await nextTick()
  root.value?.querySelector('button')?.focus()
}
async function save(version = seen.value) {
  const path = { workspace: props.workspace }
  const body = { month: props.month, note: typed.value, version }
  const done = await run(() => ok(api.PUT('/api/w/{workspace}/plan/notes', { params: { path }, body })))
  if (!done) return
  await queries.invalidateQueries({ queryKey: ['plan'] })
  await end()
}
function take() {
  typed.value = theirs.value!.note
  seen.value = theirs.value!.version
  clear()
}
</script>

<template>
  <section ref="root" class="note" :class="{ empty: !writing && !note }" :aria-label="`Note for ${monthYear(month)}`">
    <template v-if="!writing">
      <p v-if="note" dir="auto" class="words">{{ note }}</p>
      <ActButton link :may="may" @click="begin">{{ note ? 'Change' : `Note for ${monthYear(month)} …` }}</ActButton>
    </template>
    <form v-else @submit.prevent="save()">
      <label for="month-note" class="quiet">Note for {{ monthYear(month) }}, for the house</label>
      <Textarea
        id="month-note"
        v-model:value="typed"
        :rows="3"
        :maxlength="LENGTHS.words"
        @keydown.ctrl.enter.prevent="save()"
        @keydown.esc.prevent.stop="end"
      />
      <div v-if="theirs" role="alert" class="theirs">
        <p><b>Somebody else changed it meanwhile:</b></p>
        <p class="words">{{ theirs.note || 'They emptied it.' }}</p>
        <Button @click="save(theirs!.version)">Keep mine</Button>
        <Button @click="take">Take theirs</Button>
      </div>
      <p v-else-if="beside([])" role="alert" class="wrong">{{ beside([]) }}</p>
      <div class="acts">
        <Button type="primary" html-type="submit" size="small" :loading="busy">Save</Button>
        <Button size="small" @click="end">Cancel</Button>
      </div>
    </form>
  </section>
</template>

<style scoped>
.note {
  max-width: 860px;
  margin: -2px 0 8px;
}
.note > .words {
  display: inline;
  margin-right: 10px;
}
.words {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
.theirs {
  margin: 6px 0;
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
@media print {
  .note.empty,
  .note button {
    display: none;
  }
}
</style>
