<script setup lang="ts">
// The words that people look for, each with what is known of it.
import { Input, InputNumber } from 'ant-design-vue'
import ChoiceField from '@/parts/fields/ChoiceField.vue'
import type { Schemas } from '@/api/client'

type Keyword = Schemas['IdeaKeyword']
const props = defineProps<{ keywords: Keyword[]; off?: string }>()
const emit = defineEmits<{ change: [keywords: Keyword[]] }>()
const set = (at: number, more: Partial<Keyword>) =>
  emit(
    'change',
    props.keywords.map((one, index) => (index === at ? { ...one, ...more } : one)),
  )
const HARD = [
  { value: null, label: 'not known' },
  { value: 'low', label: 'low' },
  { value: 'medium', label: 'medium' },
  { value: 'high', label: 'high' },
]
</script>

<template>
  <ul class="keywords">
    <li v-for="(one, at) in keywords" :key="at">
      <Input
        :value="one.words"
        :readonly="!!off"
        :aria-label="`Keyword ${at + 1}`"
        placeholder="what people type"
        @change="set(at, { words: ($event.target as HTMLInputElement).value })"
      />
      <InputNumber
        :value="one.volume ?? undefined"
        :readonly="!!off"
        :min="0"
        :precision="0"
        :controls="false"
        :aria-label="`Searches a month for keyword ${at + 1}`"
        placeholder="a month"
        @blur="
          set(at, {
            volume: ($event.target as HTMLInputElement).value.replace(/\D/g, '')
              ? Number(($event.target as HTMLInputElement).value.replace(/\D/g, ''))
              : null,
          })
        "
      />
      <ChoiceField
        :id="`competition-${at}`"
        :model-value="one.competition ?? null"
        :label="`Competition for keyword ${at + 1}`"
        :disabled="!!off"
        :options="HARD"
        @update:model-value="set(at, { competition: $event })"
      />
      <button
        v-if="!off"
        type="button"
        class="link-button"
        :aria-label="`Leave keyword ${at + 1} out`"
        @click="
          emit(
            'change',
            keywords.filter((_, index) => index !== at),
          )
        "
      >
        out
      </button>
    </li>
    <li v-if="!off">
      <button
        type="button"
        class="link-button"
        @click="emit('change', [...keywords, { words: '', volume: null, competition: null }])"
      >
        Add a keyword
      </button>
    </li>
  </ul>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 1fr 82px 96px auto;
  gap: 6px;
  align-items: center;
  margin-bottom: 4px;
}
li > :deep(.choice) {
  min-width: 0;
}
</style>
