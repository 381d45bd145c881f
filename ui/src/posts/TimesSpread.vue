<script setup lang="ts">
// The times of all channels on one line: a heap is a flood.
import { computed } from 'vue'
import { spread } from './spread'

const props = defineProps<{ times: string[] }>()
const found = computed(() => spread(props.times))
</script>

<template>
  <span v-if="found" class="spread" :title="`The channels go out ${found.words}`">
    <svg viewBox="0 0 96 20" width="96" height="20" role="img" :aria-label="`Times of the channels: ${found.words}`">
      <path d="M6 14H90" :style="{ stroke: 'var(--ink-faint)' }" />
      <g v-for="heap in found.heaps" :key="heap.at">
        <rect
          v-for="n in Math.min(heap.count, 4)"
          :key="n"
          :x="4 + heap.at * 84"
          :y="15 - n * 4"
          width="4"
          height="3"
          :style="{ fill: 'var(--ink)' }"
        />
      </g>
    </svg>
    <span class="quiet">{{ found.words }}</span>
  </span>
</template>

<style scoped>
.spread {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  white-space: nowrap;
}
</style>
