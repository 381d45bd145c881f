<script setup lang="ts">
// Asks for a yes to several posts: whom, by when, and what cannot be asked, before anybody is told.
import { Button, Textarea, message as toast } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, onMounted, ref } from 'vue'
import { sentence } from '@/api/client'
import { planned } from '@/api/time'
import { counted, few, list, titled } from '@/api/words'
import { useChosen } from '@/agency/me'
import DialogBox from '@/parts/DialogBox.vue'
import { useKept } from '@/parts/kept'
import FormField from '@/parts/FormField.vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import { reasons } from '@/plan/bulk/several'
import { look, send, type Asking, type Found, type Posts } from './ask-several'

const props = defineProps<{ posts: Posts }>()
const emit = defineEmits<{ done: []; close: [] }>()
const queries = useQueryClient()
const { workspaces } = useChosen()
const posts = new Map(props.posts)
const found = ref<Found>()
const problem = ref('')
// kept until they are sent: Esc loses nothing
const messages = useKept<Record<string, string>>('ask-several', {})
const due = ref<Record<string, string | undefined>>({})
const busy = ref(false)
const clientOf = (one: Asking) => workspaces.value.find(({ id }) => id === one.workspace)
const severalClients = computed(() => new Set([...posts.values()].map((one) => one.workspace)).size > 1)
const can = computed(() => found.value?.asks.reduce((sum, one) => sum + one.post_ids.length, 0) ?? 0)
/** What is asked of each client's people, client by client: a message goes to one of them alone. */
const clients = computed(() => {
  const by = new Map<string, Asking[]>()
  for (const one of found.value?.asks ?? []) by.set(one.workspace, [...(by.get(one.workspace) ?? []), one])
  return [...by].map(([workspace, asks]) => {
    const sides = new Set(asks.map((one) => one.side))
    const inside = sides.has('internal')
    const readers = sides.has('client')
      ? inside
        ? 'the client and the agency side'
        : 'the client'
      : 'the agency side only'
    const subjects = [...new Set(asks.flatMap((one) => one.subjects.map((subject) => `“${titled(subject)}”`)))]
    return { workspace, asks, readers, subjects: few(subjects, 'post', 'posts', MOST) }
  })
})
const MOST = 5
/** By the client's working hours; what the route allows is chosen. */
const dues = (one: Asking) =>
  one.dues.map((choice) => ({
    value: choice.at === one.due_at ? undefined : choice.at,
    label: `${planned(choice.at, clientOf(one)?.zone ?? 'UTC')} · ${counted(choice.hours, 'working hour', 'working hours')}`,
  }))

onMounted(async () => {
  try {
    found.value = await look(posts)
    const first = found.value.asks[0]
    await nextTick()
    if (first) document.getElementById(`due-${first.step_id}`)?.focus()
  } catch (error) {
    problem.value = sentence(error)
  }
})
async function go() {
  busy.value = true
  problem.value = ''
  try {
    const asked = new Set(found.value!.asks.flatMap((one) => one.post_ids))
    const chosen = Object.entries(due.value).filter((pair): pair is [string, string] => pair[1] !== undefined)
    const sent = await send(
      new Map([...posts].filter(([id]) => asked.has(id))),
      Object.fromEntries(chosen),
      messages.value,
    )
    messages.forget()
    const left = sent.left.length > 0 ? ` ${sent.left.length} could not be, meanwhile: ${sent.left[0]!.why}` : ''
    void toast.info(
      `${list(sent.people)} ${sent.people.length === 1 ? 'is' : 'are'} asked for ${counted(sent.posts, 'post', 'posts')}.${left}`,
      8,
    )
    emit('done')
    emit('close')
  } catch (error) {
    problem.value = sentence(error)
  } finally {
    busy.value = false
    for (const key of ['plan', 'desk', 'posts']) void queries.invalidateQueries({ queryKey: [key] })
  }
}
</script>

<template>
  <DialogBox :title="`Ask for a yes to ${counted(posts.size, 'post', 'posts')}`" :width="520" @close="emit('close')">
    <form @submit.prevent="go">
      <p v-if="!found && !problem" class="quiet" role="status">Looking who is to be asked …</p>
      <template v-if="found">
        <section v-for="client in clients" :key="client.workspace" class="one">
          <h3 v-if="severalClients">{{ clientOf(client.asks[0]!)?.name }}</h3>
          <template v-for="one in client.asks" :key="`${one.step_id} ${one.people.join()}`">
            <p>
              <b>{{ counted(one.post_ids.length, 'post', 'posts') }}</b>, “{{ one.name }}”: {{ list(one.people) }}.
              <span class="quiet">{{
                one.side === 'client' ? 'One mail to each, with a private link.' : 'On their Desk at once.'
              }}</span>
            </p>
            <FormField :id="`due-${one.step_id}`" label="Answer by">
              <ChoiceField :id="`due-${one.step_id}`" v-model="due[one.step_id]" :options="dues(one)" />
            </FormField>
          </template>
          <FormField :id="`ask-several-words-${client.workspace}`" :label="`A message (read by ${client.readers})`">
            <Textarea
              :id="`ask-several-words-${client.workspace}`"
              v-model:value="messages.value[client.workspace]"
              :rows="3"
            />
          </FormField>
          <p class="quiet" dir="auto">With it: {{ client.subjects }}.</p>
        </section>
        <p
          v-for="{ why, count } in reasons(found.left.map((one) => ({ ...one, done: false })))"
          :key="why"
          class="left"
        >
          <b>{{ counted(count, 'post', 'posts') }}</b> cannot be asked: {{ why }}
        </p>
      </template>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <div class="acts">
        <Button v-if="can > 0 || !found" type="primary" html-type="submit" :disabled="!found" :loading="busy"
          >Ask for {{ found ? counted(can, 'post', 'posts') : 'them' }}</Button
        >
        <Button @click="emit('close')">{{ found && can === 0 ? 'Close' : 'Cancel' }}</Button>
      </div>
    </form>
  </DialogBox>
</template>

<style scoped>
.one + .one {
  border-top: 1px solid var(--hairline);
  padding-top: 10px;
}
.one p,
.left {
  margin: 0 0 6px;
}
</style>
