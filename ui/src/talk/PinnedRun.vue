<script setup lang="ts">
// Some words of a proof: marked where a remark points at them, with its number at their end.
import { computed } from 'vue'
import type { Run } from './pins'

const props = defineProps<{ run: Run; active?: string }>()
const emit = defineEmits<{ open: [id: string] }>()
const last = computed(() => {
  const { pin, from, words } = props.run
  return pin && from + Array.from(words).length >= pin.start + pin.length
})
</script>

<template>
  <span :data-from="run.from" :class="run.pin && ['pinned', run.pin.room, { active: active === run.pin.id }]">{{
    run.words
  }}</span><button
    v-if="run.pin && last"
    type="button"
    class="number"
    :class="run.pin.room"
    :aria-label="`Remark ${run.pin.number} on these words`"
    @click="emit('open', run.pin.id)"
  >
    {{ run.pin.number }}
  </button>
</template>

<style scoped>
.pinned {
  background: var(--well);
  text-decoration: underline 2px;
  text-underline-offset: 4px;
}
.pinned.client {
  background: var(--client-ground);
  text-decoration-color: var(--client);
}
.pinned.active {
  background: var(--mark);
}
.number {
  min-width: 24px;
  height: 24px;
  margin: 0 2px;
  padding: 0;
  border: 0;
  border-radius: 12px;
  background: var(--ink);
  color: var(--sheet);
  font: 700 12px/24px var(--sans);
  vertical-align: text-bottom;
  user-select: none;
}
.number.client {
  background: var(--client);
}
</style>
