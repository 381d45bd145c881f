<script setup lang="ts">
// What somebody decides beside the answers, for emergencies: a step skipped or dropped, a place filled or struck, a yes
// in another's name with what shows it, the change set aside that somebody wanted who has left. Said with its reason,
// and marked as such for ever.
import { LENGTHS } from '@/api/lengths'
import { Button, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { useAct, type Sheet } from '@/posts/sheet'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import { addFile } from '@/talk/files'

const props = defineProps<{ sheet: Sheet; step: Sheet['strip'][number] }>()
const emit = defineEmits<{ done: [] }>()
const asked = computed(() => props.sheet.asks.find((ask) => ask.places.step_id === props.step.step_id)?.places)
const first = (name: string) => name.split(' ')[0] ?? name

interface Choice {
  value: string
  label: string
}
const left = computed(() => props.sheet.left_blocks.filter((one) => one.step_id === props.step.step_id))
const own = computed(() => props.sheet.own_words.find((one) => one.step_id === props.step.step_id))
const choices = computed<Choice[]>(() => {
  // while a change is wanted there, nothing else can be decided beside it
  if (left.value.length > 0)
    return left.value.map((one) => ({ value: `aside ${one.person_id}`, label: `Set aside what ${one.name} wants` }))
  const places = asked.value
  const all: Choice[] = []
  // whoever wrote part of it neither skips, nor fills, nor says yes for another
  if (!own.value) {
    all.push({ value: 'skip', label: `Skip “${props.step.name}” for what stands now` })
    for (const one of places?.people ?? [])
      if (places?.open || places?.named.some((named) => named.id === one.id))
        all.push({ value: `clear ${one.id}`, label: `Say yes for ${one.name}` })
  }
  for (const one of places?.named ?? []) {
    if (!own.value) all.push({ value: `fill ${one.id}`, label: `Count ${first(one.name)}’s place as filled` })
    if (!places?.last) all.push({ value: `strike ${one.id}`, label: `Strike ${first(one.name)}’s place` })
  }
  if (places?.open) {
    if (!own.value) all.push({ value: 'fill', label: 'Count one place as filled' })
    if (!places.last) all.push({ value: 'strike', label: 'Strike one place' })
  }
  all.push({ value: 'drop', label: `Drop “${props.step.name}” from this post for good` })
  return all
})
// what is left to somebody who wrote part of it is chosen on purpose, never met by chance
const chosen = ref(own.value && left.value.length === 0 ? '' : choices.value[0]!.value)
const kind = computed(() => chosen.value.split(' ')[0]!)
const person = computed(() => chosen.value.split(' ')[1] ?? null)
const reason = ref('')
const file = ref<File>()
const LABELS: Record<string, string> = { clear: 'How they said it, such as “by phone, 10:40”' }
const label = computed(() => LABELS[kind.value] ?? 'Why (stays on record, agency side only)')

const decide = useAct<undefined>(
  props.sheet.id,
  async () => {
    const path = { workspace: props.sheet.workspace_id, post: props.sheet.id }
    const said = { step_id: props.step.step_id, reason: reason.value }
    const params = { path }
    if (kind.value === 'skip') return ok(api.POST('/api/w/{workspace}/posts/{post}/skip', { params, body: said }))
    if (kind.value === 'aside') {
      const body = { ...said, person_id: person.value! }
      return ok(api.POST('/api/w/{workspace}/posts/{post}/set-aside', { params, body }))
    }
    if (kind.value === 'drop') return ok(api.POST('/api/w/{workspace}/posts/{post}/drop-step', { params, body: said }))
    if (kind.value === 'clear') {
      const file_id = file.value ? await addFile(path, 'house', file.value) : null
      const body = { ...said, person_id: person.value!, file_id }
      return ok(api.POST('/api/w/{workspace}/posts/{post}/clear-for', { params, body }))
    }
    const body = { ...said, kind: kind.value as 'fill' | 'strike', person_id: person.value }
    return ok(api.POST('/api/w/{workspace}/posts/{post}/places', { params, body }))
  },
  () => emit('done'),
)
function take(event: Event) {
  file.value = (event.target as HTMLInputElement).files?.[0]
}
</script>

<template>
  <form class="ruling" @submit.prevent="decide.mutate(undefined)">
    <label for="ruling-what">{{
      left.length > 0 ? `Of somebody who has left, at “${step.name}”` : `Instead of waiting for “${step.name}”`
    }}</label>
    <ChoiceField id="ruling-what" v-model="chosen" :options="choices" />
    <p v-if="own && left.length === 0" class="quiet">
      You wrote part of this, so you neither skip the step, fill a place nor say yes for another. {{ own.way_on }}
    </p>
    <label for="ruling-reason">{{ label }}</label>
    <Input id="ruling-reason" v-model:value="reason" :maxlength="LENGTHS.reason" />
    <template v-if="kind === 'clear'">
      <label for="ruling-file">What shows it, if there is something</label>
      <input id="ruling-file" type="file" @change="take" />
      <p class="quiet">It stands in the record, the strip and every export as your word for theirs.</p>
    </template>
    <div class="acts">
      <Button
        html-type="submit"
        size="small"
        :disabled="reason.trim() === '' || chosen === ''"
        :loading="decide.isPending.value"
        >Do it on record</Button
      >
      <Button size="small" @click="emit('done')">Cancel</Button>
    </div>
  </form>
</template>

<style scoped>
.ruling {
  display: grid;
  gap: 4px;
  padding: 6px 0;
}
</style>
