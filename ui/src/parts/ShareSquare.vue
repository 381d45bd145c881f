<script setup lang="ts">
// How much of a group of abilities somebody has: full, half or empty, said in words too.
const props = defineProps<{ share: 'all' | 'part' | 'none'; group: string }>()
const words = { all: 'all of it', part: 'a part of it', none: 'nothing of it' }
</script>

<template>
  <svg width="14" height="14" viewBox="0 0 14 14" role="img" :aria-label="`${props.group}: ${words[share]}`">
    <title>{{ group }}: {{ words[share] }}</title>
    <rect
      x="0.5"
      y="0.5"
      width="13"
      height="13"
      :style="{ fill: 'var(--sheet)', stroke: share === 'none' ? 'var(--edge)' : 'var(--ink)' }"
    />
    <rect v-if="share === 'all'" x="0.5" y="0.5" width="13" height="13" :style="{ fill: 'var(--ink)' }" />
    <path v-if="share === 'part'" d="M0.5 0.5H13.5L0.5 13.5Z" :style="{ fill: 'var(--ink)' }" />
  </svg>
</template>
