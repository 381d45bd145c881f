<script setup lang="ts">
// A channel as the initials of its network in a shape of its own.
defineProps<{ network: string; initials: string; name?: string }>()
</script>

<template>
  <span class="mark" :class="network.toLowerCase()" role="img" :aria-label="name ?? network" :title="name ?? network">{{
    initials
  }}</span>
</template>

<style scoped>
.mark {
  display: inline-grid;
  place-items: center;
  width: 20px;
  height: 18px;
  background: var(--ink);
  color: var(--sheet);
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
.guildhall {
  width: 20px;
  height: 20px;
  padding-top: 4px;
  border-radius: 0;
  clip-path: polygon(50% 0, 100% 30%, 100% 100%, 0 100%, 0 30%);
}
.commons {
  width: 20px;
  height: 20px;
  border-radius: 50%;
}
.spool {
  width: 16px;
  height: 22px;
  border-radius: 3px;
}
.noticeboard {
  width: 26px;
  height: 17px;
  padding-right: 6px;
  border-radius: 0;
  clip-path: polygon(0 0, 100% 0, 78% 50%, 100% 100%, 0 100%);
}
.offline {
  width: 22px;
  height: 22px;
  border: 2px solid var(--ink);
  border-radius: 50%;
  background: var(--sheet);
  color: var(--ink);
}
</style>
