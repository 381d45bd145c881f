<script setup lang="ts">
// A word that is known already, or a new one.
import { AutoComplete } from 'ant-design-vue'
import { computed, onMounted } from 'vue'
import { useListbox } from './listbox'
import { popupOf } from './popup'

const props = defineProps<{
  id: string
  known: string[]
  label?: string
  placeholder?: string
  readonly?: boolean
  title?: string
  /** It was just asked for. */
  focus?: boolean
}>()
const value = defineModel<string>({ required: true })
const emit = defineEmits<{ done: []; left: [] }>()
const options = computed(() => props.known.map((one) => ({ value: one })))
const holds = (typed: string, option?: { value: string }) =>
  !!option?.value.toLowerCase().includes(typed.trim().toLowerCase())
const { root, open } = useListbox(() => props.label)
onMounted(() => props.focus && root.value?.querySelector('input')?.focus())
</script>

<template>
  <span ref="root" class="suggest" :title="title">
    <AutoComplete
      :id="id"
      v-model:value="value"
      :options="options"
      :filter-option="holds"
      :placeholder="placeholder"
      :disabled="readonly"
      :default-active-first-option="false"
      :get-popup-container="() => popupOf(root)"
      @dropdown-visible-change="open"
      @select="emit('done')"
      @blur="emit('left')"
      @input-key-down="($event: KeyboardEvent) => $event.key === 'Enter' && emit('done')"
    />
  </span>
</template>

<style scoped>
.suggest {
  position: relative;
  display: block;
}
.suggest > :deep(.ant-select) {
  width: 100%;
}
</style>
