<script setup lang="ts">
// How much of a group of abilities somebody has: full, half or empty, said in words too.
const props = defineProps<{ share: 'all' | 'part' | 'none'; group: string }>()
const words = { all: 'all of it', part: 'a part of it', none: 'nothing of it' }
</script>

<template>
  <svg width="14" height="14" viewBox="0 0 14 14" role="img" :aria-label="`${props.group}: ${words[share]}`">
    <title>{{ group }}: {{ words[share] }}</title>
    <rect x="0.5" y="0.5" width="13" height="13" fill="#fff" :stroke="share === 'none' ? '#9ba09d' : '#16191c'" />
    <rect v-if="share === 'all'" x="0.5" y="0.5" width="13" height="13" fill="#16191c" />
    <path v-if="share === 'part'" d="M0.5 0.5H13.5L0.5 13.5Z" fill="#16191c" />
  </svg>
</template>
