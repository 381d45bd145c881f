<script setup lang="ts" generic="T extends string | number | null | undefined">
// One of several, found by typing. The library's select, mended for those who hear it: its label is the field's own.
import { Select } from 'ant-design-vue'
import { computed } from 'vue'
import { useListbox } from './listbox'
import { popupOf } from './popup'

export interface Option<V> {
  value: V
  label: string
  off?: boolean
}
const props = defineProps<{
  id: string
  options: Option<T>[]
  /** Where no label element stands beside it. */
  label?: string
  disabled?: boolean
  placeholder?: string
}>()
const value = defineModel<T>({ required: true })
// the library takes no null: a choice is named by its place
const shown = computed(() => props.options.map((one, at) => ({ value: at, label: one.label, disabled: one.off })))
const chosen = computed({
  get: () => {
    const at = props.options.findIndex((one) => one.value === value.value)
    return at < 0 ? undefined : at
  },
  set: (at) => (value.value = props.options[at!]!.value),
})
const { root, open } = useListbox(() => props.label)
</script>

<template>
  <span ref="root" class="choice">
    <Select
      :id="id"
      v-model:value="chosen"
      :options="shown"
      :disabled="disabled"
      :placeholder="placeholder"
      show-search
      option-filter-prop="label"
      :dropdown-match-select-width="false"
      :get-popup-container="() => popupOf(root)"
      @dropdown-visible-change="open"
    />
  </span>
</template>

<style scoped>
.choice {
  position: relative;
  display: inline-block;
  min-width: 120px;
  max-width: 100%;
}
.choice > :deep(.ant-select) {
  width: 100%;
}
</style>
