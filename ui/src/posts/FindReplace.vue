<script setup lang="ts">
// Find and replace over the master's text and every own text at once; each is saved as the part that it is.
import { Button, Checkbox, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { api, ok, sentence } from '@/api/client'
import { occurrences, replaced } from './replace'
import { useAct, type Sheet } from './sheet'
import { offFor, seenOf } from './writable'
import DialogBox from '@/parts/DialogBox.vue'

const props = defineProps<{ sheet: Sheet }>()
const emit = defineEmits<{ close: [] }>()
const find = ref('')
const put = ref('')
const exact = ref(false)
const left = ref<string[]>()

const places = computed(() =>
  [undefined, ...props.sheet.adaptations.filter((one) => one.parts.text.own)].map((one) => ({
    one,
    name: one ? one.channel.name : 'Master',
    text: String((one ?? props.sheet.master).parts.text.value ?? ''),
    off: offFor(props.sheet, 'text', one),
  })),
)
const hits = computed(() =>
  places.value
    .map((place) => ({ ...place, count: occurrences(place.text, find.value, exact.value) }))
    .filter((place) => place.count > 0),
)
const total = computed(() => hits.value.filter((place) => !place.off).reduce((sum, place) => sum + place.count, 0))

const run = useAct<void, string[]>(
  props.sheet.id,
  async () => {
    const refused: string[] = []
    for (const place of hits.value.filter((one) => !one.off)) {
      try {
        await ok(
          api.PUT('/api/w/{workspace}/posts/{post}/parts/{part}', {
            params: {
              path: { workspace: props.sheet.workspace_id, post: props.sheet.id, part: 'text' },
              query: { channel: place.one?.channel.id },
              header: { 'If-Match': `"${seenOf(props.sheet, 'text', place.one).version}"` },
            },
            body: { value: replaced(place.text, find.value, put.value, exact.value) },
          }),
        )
      } catch (error) {
        refused.push(`${place.name}: ${sentence(error)}`)
      }
    }
    return refused
  },
  (refused) => {
    left.value = refused
    if (refused.length === 0) emit('close')
  },
)
</script>

<template>
  <DialogBox :width="460" title="Find and replace" @close="emit('close')">
    <form class="small-form" @submit.prevent="run.mutate()">
      <label for="find-what">Find</label>
      <Input id="find-what" v-model:value="find" />
      <label for="find-with">Replace with</label>
      <Input id="find-with" v-model:value="put" />
      <Checkbox v-model:checked="exact">Match case</Checkbox>
      <ul role="status">
        <li v-for="place in hits" :key="place.name">
          <b>{{ place.name }}</b> {{ place.count }} times
          <span v-if="place.off" class="quiet">left as it is: {{ place.off }}</span>
        </li>
        <li v-if="find && hits.length === 0" class="quiet">Nowhere in this post.</li>
      </ul>
      <p v-for="line in left" :key="line" class="late">{{ line }}</p>
      <p>
        <Button html-type="submit" type="primary" :disabled="total === 0" :loading="run.isPending.value"
          >Replace {{ total > 0 ? `${total} times` : '' }}</Button
        >
      </p>
    </form>
  </DialogBox>
</template>
