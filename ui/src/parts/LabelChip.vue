<script setup lang="ts">
// A label: its initials on its colour, and its name. The colour alone says nothing.
import { computed } from 'vue'
import shared from '@/api/shared.json'

const props = defineProps<{ name: string; colour: string; initials: string }>()
const fill = computed(() => (shared.label_colours as Record<string, string>)[props.colour] ?? shared.label_colours.ink)
const letters = computed(() => props.initials || [...props.name][0]?.toUpperCase() || '')
</script>

<template>
  <span class="label-chip">
    <svg width="18" height="16" viewBox="0 0 18 16" aria-hidden="true">
      <path d="M0 2a2 2 0 0 1 2-2h11l5 8-5 8H2a2 2 0 0 1-2-2z" :fill="fill" />
      <text x="7" y="11.5" text-anchor="middle" font-size="9.5" font-weight="700" :style="{ fill: 'var(--sheet)' }">
        {{ letters }}
      </text>
    </svg>
    <span dir="auto">{{ name }}</span>
  </span>
</template>

<style scoped>
.label-chip {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  white-space: nowrap;
}
</style>
