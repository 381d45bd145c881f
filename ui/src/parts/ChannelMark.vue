<script setup lang="ts">
// A channel as the initials of its network in a shape of its own.
defineProps<{ network: string; initials: string; name?: string }>()
</script>

<template>
  <span class="mark" :class="network.toLowerCase()" role="img" :aria-label="name ?? network" :title="name ?? network">{{ initials }}</span>
</template>

<style scoped>
.mark {
  display: inline-grid;
  place-items: center;
  width: 20px;
  height: 18px;
  background: var(--ink);
  color: #fff;
  font: 600 10px/1 var(--sans);
  border-radius: 2px;
  flex: none;
}
.ticker {
  width: 24px;
  height: 15px;
  border-radius: 2px;
}
.vitrine {
  width: 18px;
  height: 18px;
  border-radius: 0;
}
</style>
