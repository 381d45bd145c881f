<script setup lang="ts">
// What the plan is narrowed to, field by field.
import { LENGTHS } from '@/api/lengths'
import { Button, Input } from 'ant-design-vue'
import { watchDebounced } from '@vueuse/core'
import { ref, watch } from 'vue'
import ChoicesField from '@/parts/fields/ChoicesField.vue'
import { NAMES, meant, type Choice, type Kind, type Narrowing } from './filter'

const props = defineProps<{ narrowing: Narrowing; offered: Record<Exclude<Kind, 'words'>, Choice[]> }>()
const emit = defineEmits<{ set: [kind: Kind, value: string]; clear: [] }>()
const typed = ref(props.narrowing.words ?? '')
watch(
  () => props.narrowing.words,
  (words) => (typed.value = words ?? ''),
)
watchDebounced(typed, (now) => now !== (props.narrowing.words ?? '') && emit('set', 'words', now), { debounce: 250 })
const chosen = (kind: Exclude<Kind, 'words'>) =>
  (props.narrowing[kind]?.split(',') ?? []).map((value) => meant(props.offered[kind], value)?.value ?? value)
</script>

<template>
  <div class="filters" role="group" aria-label="What is shown">
    <template v-for="(choices, kind) in offered" :key="kind">
      <span v-if="choices.length > 0" class="filter">
        <label :for="`narrow-${kind}`">{{ NAMES[kind] }}</label>
        <ChoicesField
          :id="`narrow-${kind}`"
          :label="NAMES[kind]"
          :model-value="chosen(kind)"
          :options="choices"
          placeholder="any"
          @update:model-value="emit('set', kind, $event.join(','))"
        />
      </span>
    </template>
    <span class="filter">
      <label for="narrow-words">Words</label>
      <Input
        id="narrow-words"
        v-model:value="typed"
        type="search"
        placeholder="in subject or copy"
        :maxlength="LENGTHS.search"
      />
    </span>
    <Button v-if="Object.keys(narrowing).length > 0" class="clear" @click="emit('clear')">Show everything</Button>
  </div>
</template>

<style scoped>
.filters {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
  margin-bottom: 12px;
}
.filter {
  flex: 1 1 130px;
  max-width: 210px;
}
.filter label {
  display: block;
  color: var(--ink-2);
  font-size: 12px;
}
</style>
