<script setup lang="ts">
// One of the two rooms that never mix: its threads, what is settled, and the composer that says who reads it.
import { computed, ref } from 'vue'
import { counted } from '@/api/words'
import type { Sheet } from '@/posts/sheet'
import TalkComposer from './TalkComposer.vue'
import TalkThread from './TalkThread.vue'
import { numbers } from './pins'

const props = defineProps<{ sheet: Sheet; room: 'house' | 'client'; now: string; client: string }>()
const emit = defineEmits<{ task: [words: string] }>()
const settled = ref(false)
const said = computed(() => props.sheet.remarks.filter((one) => one.room === props.room))
const roots = computed(() => said.value.filter((one) => one.thread_id === null))
const open = computed(() => roots.value.filter((one) => !one.settled))
const over = computed(() => roots.value.filter((one) => one.settled))
const answers = (id: string) => said.value.filter((one) => one.thread_id === id)
const known = computed(() => numbers(props.sheet.remarks))
const title = computed(() => (props.room === 'house' ? 'House talk' : 'Client talk'))
const who = computed(() => (props.room === 'house' ? 'agency only' : `${props.client} reads this`))
</script>

<template>
  <section :class="room" :aria-label="title">
    <h3>
      {{ title }} <span class="quiet">{{ who }}</span>
    </h3>
    <ul>
      <TalkThread
        v-for="one in open"
        :key="one.id"
        :sheet="sheet"
        :root="one"
        :answers="answers(one.id)"
        :number="known.get(one.id)"
        :now="now"
        @task="emit('task', $event)"
      />
    </ul>
    <button
      v-if="over.length > 0"
      type="button"
      class="link-button"
      :aria-expanded="settled"
      @click="settled = !settled"
    >
      {{ settled ? 'Hide what is settled' : `${counted(over.length, 'thread', 'threads')} settled` }}
    </button>
    <ul v-if="settled">
      <TalkThread
        v-for="one in over"
        :key="one.id"
        :sheet="sheet"
        :root="one"
        :answers="answers(one.id)"
        :now="now"
        @task="emit('task', $event)"
      />
    </ul>
    <TalkComposer :sheet="sheet" :room="room" :client="client" :now="now" />
  </section>
</template>
