<script setup lang="ts">
// A cell of a list that is changed in its place: pressed, it becomes a field; Esc gives it back as it was.
import { nextTick, ref } from 'vue'

const props = defineProps<{ label: string; may?: { ok: boolean; why?: string } }>()
const emit = defineEmits<{ begin: [] }>()
const root = ref<HTMLElement>()
const editing = ref(false)
let ending = false

async function begin() {
  if (props.may && !props.may.ok) return
  emit('begin')
  ending = false
  editing.value = true
  await nextTick()
  root.value?.querySelector('input')?.focus()
}
/**
 * The library's fields do something after they were heard: they go a moment later. Enter and the leaving that it brings
 * are one end.
 * @returns whether it is the first
 */
async function end(): Promise<boolean> {
  if (ending) return false
  ending = true
  await new Promise((done) => setTimeout(done))
  editing.value = false
  await nextTick()
  root.value?.querySelector('button')?.focus()
  return true
}
</script>

<template>
  <span ref="root" class="cell-edit" @keydown.esc.stop="end">
    <slot v-if="editing" name="field" :end="end" />
    <button
      v-else
      type="button"
      :aria-disabled="may && !may.ok"
      :title="may?.ok === false ? may.why : undefined"
      @click="begin"
    >
      <slot /><span class="hidden">, {{ label }}: change</span>
    </button>
  </span>
</template>

<style scoped>
.cell-edit {
  display: block;
}
button {
  width: calc(100% + 4px);
  min-height: 24px;
  margin-left: -5px;
  padding: 2px 4px;
  border: 1px solid transparent;
  background: none;
  overflow: hidden;
  text-align: left;
  text-overflow: ellipsis;
  cursor: text;
}
button:hover:not([aria-disabled='true']) {
  border-color: var(--rule);
  background: var(--sheet);
}
button[aria-disabled='true'] {
  cursor: default;
}
</style>
