<script setup lang="ts">
// A text part in the reading serif, growing with what is typed, with its save state and, when two people changed it, both.
import { Button } from 'ant-design-vue'
import { computed, nextTick, onMounted, ref, toRef, watch } from 'vue'
import { usePart, type ServerPart } from './part'
import type { PartName } from './sheet'

const props = defineProps<{ workspace: string; post: string; part: PartName; channel?: string; server: ServerPart; label: string; off?: string; placeholder?: string; single?: boolean }>()
const emit = defineEmits<{ state: [state: string] }>()
const part = usePart<string>({ workspace: props.workspace, post: props.post, part: props.part, channel: props.channel }, toRef(props, 'server'), '')
const { value, state, problem, theirs } = part
const area = ref<HTMLTextAreaElement>()

function grow() {
  const field = area.value
  if (!field) return
  field.style.height = 'auto'
  field.style.height = `${field.scrollHeight + 2}px`
}
watch(value, () => void nextTick(grow))
watch(state, (now) => emit('state', now))
onMounted(grow)

const says = computed(() => ({ saved: '', typing: '', saving: 'saving', waiting: 'not saved yet: no connection, trying again', conflict: '', refused: 'not saved' })[state.value])
const id = computed(() => `part-${props.part}-${props.channel ?? 'master'}`)
defineExpose({ focus: () => area.value?.focus() })
</script>

<template>
  <div class="part">
    <label :for="id" class="hidden">{{ label }}</label>
    <textarea
      :id="id"
      ref="area"
      class="copy"
      :class="{ single }"
      :value="value ?? ''"
      :readonly="!!off"
      :title="off"
      :placeholder="placeholder"
      :rows="single ? 1 : 4"
      spellcheck="true"
      @input="part.change(($event.target as HTMLTextAreaElement).value)"
      @blur="part.save()"
      @keydown.ctrl.enter.prevent="part.save()"
    />
    <p v-if="says || problem" class="state" :class="{ late: state === 'refused' }" role="status">{{ says }}{{ says && problem ? ': ' : '' }}{{ state === 'waiting' ? '' : problem }}</p>
    <p v-if="state === 'refused'" class="state"><button type="button" class="link-button" @click="part.drop()">Show what is saved instead</button></p>
    <div v-if="state === 'conflict' && theirs" class="both" role="alert">
      <b>{{ theirs.by ?? 'Somebody' }} changed this meanwhile. Theirs:</b>
      <p class="copy">{{ theirs.value }}</p>
      <Button size="small" type="primary" @click="part.keepMine()">Keep mine</Button>
      <Button size="small" @click="part.takeTheirs()">Take theirs</Button>
    </div>
  </div>
</template>

<style scoped>
textarea {
  display: block;
  width: 100%;
  min-height: 96px;
  padding: 4px 6px;
  margin: 0 -6px;
  width: calc(100% + 12px);
  resize: none;
  overflow: hidden;
  border: 1px solid transparent;
  border-radius: 3px;
  background: transparent;
  color: var(--ink);
}
textarea.single {
  min-height: 28px;
  font: 450 13px/1.45 var(--sans);
}
textarea:hover:not([readonly]) {
  border-color: var(--rule);
}
textarea:focus {
  border-color: var(--ink);
  background: var(--sheet);
}
.state {
  color: var(--ink-2);
  font-size: 12px;
}
.both {
  margin: 6px 0;
  padding: 8px;
  border: 1px solid var(--ink);
  background: var(--sheet);
}
.both .copy {
  margin: 4px 0 8px;
  padding-left: 8px;
  border-left: 3px solid var(--ink);
  max-height: 180px;
  overflow: auto;
}
.both button {
  margin-right: 6px;
}
</style>
