<script setup lang="ts">
// Two rooms that never mix. Each says in words who reads it before anything is sent.
import { Button, Textarea } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok } from '@/api/client'
import { brief } from '@/api/time'
import { draft } from '@/parts/drafts'
import { useAct, type Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet; room: 'house' | 'client'; now: string; client: string }>()
const box = draft(`talk:${props.sheet.id}:${props.room}`)
const words = ref(box.read() ?? '')
const said = computed(() => props.sheet.remarks.filter((one) => one.room === props.room))
function keep(text: string) {
  words.value = text
  box.write(text)
}
const say = useAct<undefined>(
  props.sheet.id,
  () =>
    ok(
      api.POST('/api/w/{workspace}/posts/{post}/remarks', {
        params: { path: { workspace: props.sheet.workspace_id, post: props.sheet.id } },
        body: { room: props.room, words: words.value },
      }),
    ),
  () => {
    words.value = ''
    box.clear()
  },
)
const title = computed(() => (props.room === 'house' ? 'House talk' : 'Client talk'))
const who = computed(() => (props.room === 'house' ? 'agency only' : `${props.client} reads this`))
</script>

<template>
  <section :class="room" :aria-label="title">
    <h3>
      {{ title }} <span class="quiet">{{ who }}</span>
    </h3>
    <ul>
      <li v-for="one in said" :key="one.id">
        <b>{{ one.person }}</b> <span class="quiet">{{ brief(one.at, now) }}</span>
        <p dir="auto">{{ one.words }}</p>
      </li>
    </ul>
    <form @submit.prevent="say.mutate(undefined)">
      <label class="hidden" :for="`say-${room}`">{{ title }}: {{ who }}</label>
      <Textarea
        :id="`say-${room}`"
        :value="words"
        :rows="2"
        :placeholder="room === 'house' ? 'Write to the agency side' : `Write to ${client}`"
        @update:value="keep"
        @keydown.ctrl.enter.prevent="words.trim() && say.mutate(undefined)"
      />
      <Button v-if="words.trim()" html-type="submit" size="small" :loading="say.isPending.value">{{
        room === 'house' ? 'Send to the agency side' : `Send to ${client}`
      }}</Button>
    </form>
  </section>
</template>

<style scoped>
li {
  padding: 7px 10px;
  margin-bottom: 6px;
  background: var(--well);
  border-left: 4px solid var(--ink-2);
  overflow-wrap: anywhere;
}
.client li {
  background: var(--client-ground);
  border-left-color: var(--client);
}
</style>
