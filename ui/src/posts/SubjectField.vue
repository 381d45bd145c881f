<script setup lang="ts">
// The subject line: what the post is called in every list. The client reads it where a plan is shared with them; the
// agency's own name for it stands beside the labels.
import { LENGTHS } from '@/api/lengths'
import { Input } from 'ant-design-vue'
import { computed, onMounted, toRef } from 'vue'
import { usePart } from './part'
import type { Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet; fresh?: boolean }>()
const emit = defineEmits<{ copy: [] }>()
onMounted(() => props.fresh && document.getElementById('subject')?.focus())
/** Whoever begins a post goes on to the copy; later the way leads through what stands beside. */
function on(event: KeyboardEvent) {
  if (event.shiftKey || props.sheet.master.count > 0) return
  event.preventDefault()
  emit('copy')
}
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
}
</script>

<template>
  <span class="subject">
    <h1 class="hidden">{{ value || 'Untitled' }}</h1>
    <label for="subject" class="hidden">Subject line, read by the client in the plan</label>
    <Input
      id="subject"
      :value="value"
      :readonly="!!off"
      :title="off ?? 'Subject line; the client reads it in the plan that is shared with them'"
      :maxlength="LENGTHS.subject"
      :bordered="false"
      placeholder="Give it a subject"
      @update:value="type"
      @keydown.tab="on"
      @blur="part.save()"
    />
    <span v-if="problem" class="late" role="alert"
      >{{ problem }}
      <template v-if="state === 'conflict'"
        ><button type="button" class="link-button" @click="part.keepMine()">keep mine</button>{{ ' ' }}
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
.subject :deep(input) {
  font: 750 18px/1.3 var(--sans);
  padding: 2px 4px;
  border: 1px solid transparent;
  border-radius: 3px;
  text-overflow: ellipsis;
}
.subject :deep(input:hover:not([readonly])) {
  border-color: var(--rule);
}
.subject :deep(input:focus) {
  border-color: var(--ink);
}
</style>
