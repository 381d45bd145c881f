<script setup lang="ts">
// Asks for a yes to several posts: whom, by when, and what cannot be asked, before anybody is told.
import { Button, Textarea, message as toast } from 'ant-design-vue'
import { useQueryClient } from '@tanstack/vue-query'
import { computed, nextTick, onMounted, ref } from 'vue'
import { sentence } from '@/api/client'
import { planned } from '@/api/time'
import { counted, list } from '@/api/words'
import { useChosen } from '@/agency/me'
import DialogBox from '@/parts/DialogBox.vue'
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
const words = ref('')
const due = ref<Record<string, string | undefined>>({})
const busy = ref(false)
const clientOf = (one: Asking) => workspaces.value.find(({ id }) => id === one.workspace)
const severalClients = computed(() => new Set([...posts.values()].map((one) => one.workspace)).size > 1)
const can = computed(() => found.value?.asks.reduce((sum, one) => sum + one.post_ids.length, 0) ?? 0)
const read = computed(() => {
  const sides = new Set(found.value?.asks.map((one) => one.side))
  if (sides.size > 1) return 'read by the client and by the agency side'
  return sides.has('client') ? 'read by the client' : 'read by the agency side only'
})
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
      words.value,
    )
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
        <section v-for="one in found.asks" :key="`${one.step_id} ${one.people.join()}`" class="one">
          <p>
            <b>{{ counted(one.post_ids.length, 'post', 'posts') }}</b>, “{{ one.name }}”<template v-if="severalClients"
              >, {{ clientOf(one)?.name }}</template
            >: {{ list(one.people) }}.
            <span class="quiet">{{
              one.side === 'client' ? 'One mail to each, with a private link.' : 'On their Desk at once.'
            }}</span>
          </p>
          <FormField :id="`due-${one.step_id}`" label="Answer by">
            <ChoiceField :id="`due-${one.step_id}`" v-model="due[one.step_id]" :options="dues(one)" />
          </FormField>
        </section>
        <p
          v-for="{ why, count } in reasons(found.left.map((one) => ({ ...one, done: false })))"
          :key="why"
          class="left"
        >
          <b>{{ counted(count, 'post', 'posts') }}</b> cannot be asked: {{ why }}
        </p>
        <FormField v-if="can > 0" id="ask-several-words" :label="`A message (${read})`">
          <Textarea id="ask-several-words" v-model:value="words" :rows="3" />
        </FormField>
      </template>
      <p v-if="problem" class="wrong" role="alert">{{ problem }}</p>
      <div class="acts">
        <Button type="primary" html-type="submit" :disabled="can === 0" :loading="busy"
          >Ask for {{ counted(can, 'post', 'posts') }}</Button
        >
        <Button @click="emit('close')">Cancel</Button>
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
