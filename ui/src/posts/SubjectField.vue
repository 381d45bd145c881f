<script setup lang="ts">
// The subject line: the agency's own name for the post; the client never sees it.
import { computed, toRef } from 'vue'
import { usePart } from './part'
import type { Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet }>()
const emit = defineEmits<{ state: [state: string] }>()
const server = computed(() => ({ value: props.sheet.subject, version: props.sheet.subject_version }))
const part = usePart<string>(
  { workspace: props.sheet.workspace_id, post: props.sheet.id, part: 'subject' },
  toRef(() => server.value),
  '',
)
const { value, state, problem } = part
const off = computed(() => (props.sheet.can.rename?.ok ? undefined : props.sheet.can.rename?.why))
function type(text: string) {
  part.change(text)
  emit('state', 'typing')
}
</script>

<template>
  <span class="subject">
    <h1 class="hidden">{{ value || 'Untitled' }}</h1>
    <label for="subject" class="hidden">Subject line, agency side only</label>
    <input
      id="subject"
      :value="value"
      :readonly="!!off"
      :title="off ?? 'Subject line; the client never sees it'"
      maxlength="300"
      placeholder="Give it a subject"
      @input="type(($event.target as HTMLInputElement).value)"
      @blur="part.save().then(() => emit('state', state))"
    />
    <span v-if="problem" class="late" role="alert"
      >{{ problem }}
      <template v-if="state === 'conflict'"
        ><button type="button" class="link-button" @click="part.keepMine()">keep mine</button>
        <button type="button" class="link-button" @click="part.takeTheirs()">use theirs</button></template
      >
    </span>
  </span>
</template>

<style scoped>
.subject {
  flex: 1 1 180px;
  min-width: 140px;
}
input {
  width: 100%;
  font: 750 18px/1.3 var(--sans);
  color: var(--ink);
  padding: 2px 4px;
  border: 1px solid transparent;
  border-radius: 3px;
  background: transparent;
  text-overflow: ellipsis;
}
input:hover:not([readonly]) {
  border-color: var(--rule);
}
input:focus {
  border-color: var(--ink);
}
</style>
