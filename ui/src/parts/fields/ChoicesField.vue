<script setup lang="ts">
// Some of several, found by typing. The library's select, mended for those who hear it.
import { Select } from 'ant-design-vue'
import { useListbox } from './listbox'
import { popupOf } from './popup'

const props = defineProps<{
  id: string
  label: string
  options: { value: string; label: string }[]
  placeholder?: string
}>()
const value = defineModel<string[]>({ required: true })
const { root, open } = useListbox(() => props.label)
</script>

<template>
  <span ref="root" class="choice">
    <Select
      :id="id"
      v-model:value="value"
      mode="multiple"
      :options="options"
      :placeholder="placeholder"
      option-filter-prop="label"
      max-tag-count="responsive"
      :dropdown-match-select-width="false"
      :get-popup-container="() => popupOf(root)"
      @dropdown-visible-change="open"
    />
  </span>
</template>

<style scoped>
.choice {
  position: relative;
  display: block;
}
.choice > :deep(.ant-select) {
  width: 100%;
}
</style>
