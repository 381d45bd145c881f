<script setup lang="ts">
// A cell of a list that is changed in its place: pressed, it becomes a field; Esc gives it back as it was.
import { nextTick, ref } from 'vue'

const props = defineProps<{ label: string; may?: { ok: boolean; why?: string } }>()
const emit = defineEmits<{ begin: [] }>()
const root = ref<HTMLElement>()
const editing = ref(false)

async function begin() {
  if (props.may && !props.may.ok) return
  emit('begin')
  editing.value = true
  await nextTick()
  root.value?.querySelector('input')?.focus()
}
async function end() {
  editing.value = false
  await nextTick()
  root.value?.querySelector('button')?.focus()
}
</script>

<template>
  <span ref="root" class="cell-edit" @keydown.esc.stop="end">
    <slot v-if="editing" name="field" :end="end" />
    <button
      v-else
      type="button"
      :aria-label="`${label}: change`"
      :aria-disabled="may && !may.ok"
      :title="may?.ok === false ? may.why : undefined"
      @click="begin"
    >
      <slot />
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
