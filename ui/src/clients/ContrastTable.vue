<script setup lang="ts">
// Each pair of colours as it would be read: the one on the other, with the ratio and what it is good for.
defineProps<{
  contrasts: { one: string; other: string; ratio: number; good_for: string }[]
  colours: { name: string; hex: string }[]
}>()
const WORDS: Record<string, string> = { text: 'text', large: 'large text, marks', none: 'not for reading' }
</script>

<template>
  <ul>
    <li v-for="pair in contrasts" :key="pair.one + pair.other">
      <svg width="96" height="26" role="img" :aria-label="`${pair.one} on ${pair.other}`">
        <rect width="48" height="26" :fill="pair.other" :style="{ stroke: 'var(--rule)' }" />
        <rect x="48" width="48" height="26" :fill="pair.one" :style="{ stroke: 'var(--rule)' }" />
        <text x="24" y="18" text-anchor="middle" font-size="14" font-weight="600" :fill="pair.one">Aa</text>
        <text x="72" y="18" text-anchor="middle" font-size="14" font-weight="600" :fill="pair.other">Aa</text>
      </svg>
      <span
        >{{ colours.find((one) => one.hex === pair.one)?.name || pair.one }} with
        {{ colours.find((one) => one.hex === pair.other)?.name || pair.other }}</span
      >
      <b>{{ pair.ratio.toFixed(2) }} : 1</b>
      <span :class="{ late: pair.good_for === 'none' }">{{ WORDS[pair.good_for] }}</span>
    </li>
  </ul>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 100px 1fr 76px 120px;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
@media (max-width: 500px) {
  li {
    grid-template-columns: 100px minmax(0, 1fr);
  }
}
</style>
