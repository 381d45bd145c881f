<script setup lang="ts">
// The description of one picture, video or document, for whoever cannot see it. The part holds all descriptions; this writes one of them.
import { computed, toRef } from 'vue'
import type { Schemas } from '@/api/client'
import { usePart } from './part'
import type { Sheet } from './sheet'

const props = defineProps<{ sheet: Sheet; parts: Schemas['Parts']; channel?: string; picture: string; kind: string; number: number; off?: string }>()
const server = computed(() => ({ value: props.parts.descriptions.value, version: props.parts.descriptions.own ? props.parts.descriptions.version : 0 }))
const part = usePart<Record<string, string>>(
  { workspace: props.sheet.workspace_id, post: props.sheet.id, part: 'descriptions', channel: props.channel },
  toRef(() => server.value),
  {},
)
const { value, state, problem } = part
const id = computed(() => `description-${props.picture}-${props.channel ?? 'master'}`)
</script>

<template>
  <div>
    <label :for="id" class="hidden">Description of {{ kind }} {{ number }}</label>
    <textarea
      :id="id"
      rows="2"
      :value="value?.[picture] ?? ''"
      :readonly="!!off"
      :title="off"
      :placeholder="`Describe ${kind} ${number} for who cannot see it`"
      @input="part.change({ ...value, [picture]: ($event.target as HTMLTextAreaElement).value })"
      @keydown.enter.prevent="($event.target as HTMLTextAreaElement).blur()"
      @blur="part.save()"
    />
    <p v-if="problem" class="late" role="status">{{ problem }}</p>
    <p v-if="state === 'conflict'" role="alert">
      <button type="button" class="link-button" @click="part.keepMine()">Keep mine</button> <button type="button" class="link-button" @click="part.takeTheirs()">Take theirs</button>
    </p>
  </div>
</template>

<style scoped>
textarea {
  display: block;
  width: 100%;
  min-height: 42px;
  padding: 2px 4px;
  field-sizing: content;
  resize: none;
  margin: 2px 0;
  border: 1px solid var(--rule);
  border-radius: 3px;
  background: var(--sheet);
  font: inherit;
  color: var(--ink);
}
</style>
