<script setup lang="ts">
// Posts or ideas that something is tied to: found by words, added and taken off.
import { Input } from 'ant-design-vue'
import { watchDebounced } from '@vueuse/core'
import { ref } from 'vue'
import { titled } from '@/api/words'

interface Tied {
  id: string
  title: string
}
const props = defineProps<{
  id: string
  label: string
  tied: Tied[]
  off?: string
  search: (words: string) => Promise<Tied[]>
}>()
const emit = defineEmits<{ change: [ids: string[]] }>()
const words = ref('')
const hits = ref<Tied[]>([])
watchDebounced(
  words,
  async (now) => {
    const there = new Set(props.tied.map((one) => one.id))
    const all = now.trim() === '' ? [] : await props.search(now.trim()).catch(() => [])
    if (now === words.value) hits.value = all.filter((one) => !there.has(one.id)).slice(0, 6)
  },
  { debounce: 250 },
)
function add(one: Tied) {
  words.value = ''
  hits.value = []
  emit('change', [...props.tied.map((each) => each.id), one.id])
}
</script>

<template>
  <ul class="tied">
    <li v-for="one in tied" :key="one.id">
      <slot :one="one"
        ><span dir="auto">{{ titled(one.title) }}</span></slot
      >
      <button
        v-if="!off"
        type="button"
        class="link-button"
        :aria-label="`Take off ${titled(one.title)}`"
        @click="
          emit(
            'change',
            tied.filter((each) => each.id !== one.id).map((each) => each.id),
          )
        "
      >
        off
      </button>
    </li>
    <li v-if="tied.length === 0" class="quiet">none yet</li>
  </ul>
  <template v-if="!off">
    <Input :id="id" v-model:value="words" size="small" type="search" :aria-label="label" :placeholder="label" />
    <ul v-if="hits.length > 0" class="hits">
      <li v-for="one in hits" :key="one.id">
        <button type="button" class="link-button" @click="add(one)">
          <span dir="auto">{{ titled(one.title) }}</span>
        </button>
      </li>
    </ul>
  </template>
</template>

<style scoped>
.tied li {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  padding: 3px 0;
  border-bottom: 1px solid var(--rule);
}
.hits {
  padding: 2px 10px;
  background: var(--well);
}
</style>
