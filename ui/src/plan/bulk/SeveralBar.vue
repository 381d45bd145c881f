<script setup lang="ts">
// What can be done with the posts that are chosen.
import { Button } from 'ant-design-vue'
import { ref } from 'vue'
import type { Schemas } from '@/api/client'
import { counted } from '@/api/words'
import { later } from '@/parts/later'
import type { Asked, Chosen } from './several'

const SeveralDialog = later(() => import('./SeveralDialog.vue'))
const AskSeveralDialog = later(() => import('@/signoff/asks/AskSeveralDialog.vue'))
defineProps<{
  chosen: Chosen
  labels: Schemas['PlanChoices']['labels']
  campaigns: Schemas['PlanChoices']['campaigns']
  people: Schemas['PlanChoices']['people']
  today: string
}>()
const emit = defineEmits<{ clear: [] }>()
const asked = ref<Asked>()
const asking = ref(false)
const ACTS: [Asked, string][] = [
  ['move', 'Move …'],
  ['clock', 'To an hour …'],
  ['spread', 'Spread out …'],
  ['release', 'Release …'],
  ['take_back', 'Cancel the release …'],
  ['label', 'Label …'],
  ['campaign', 'Campaign …'],
  ['owner', 'Owner …'],
  ['copy', 'Copy …'],
  ['discard', 'Discard …'],
]
</script>

<template>
  <section class="several" aria-label="Chosen posts">
    <b>{{ counted(chosen.size, 'post is chosen', 'posts are chosen') }}</b>
    <Button size="small" @click="asking = true">Ask …</Button>
    <Button v-for="[kind, words] in ACTS" :key="kind" size="small" @click="asked = kind">{{ words }}</Button>
    <Button size="small" @click="emit('clear')">Choose none</Button>
    <AskSeveralDialog v-if="asking" :posts="chosen" @done="emit('clear')" @close="asking = false" />
    <SeveralDialog
      v-if="asked"
      :kind="asked"
      :chosen="chosen"
      :people="people"
      :today="today"
      :names="(asked === 'campaign' ? campaigns : labels).map((one) => one.name)"
      @done="emit('clear')"
      @close="asked = undefined"
    />
  </section>
</template>

<style scoped>
.several {
  position: sticky;
  bottom: 0;
  z-index: 11;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
  margin: 16px -20px 0;
  padding: 10px 20px;
  background: var(--sheet);
  border-top: 3px solid var(--ink);
}
</style>
