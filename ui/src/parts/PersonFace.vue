<script setup lang="ts">
// A person as their picture or initials; the ring says the side: violet is the client.
import { initials } from '@/api/words'
defineProps<{ name: string; side?: string; personId?: string; picture?: boolean; size?: number }>()
</script>

<template>
  <span class="face" :class="[side, { big: (size ?? 28) > 40 }]" aria-hidden="true">
    <img v-if="picture && personId" :src="`/api/people/${personId}/picture`" alt="" />
    <template v-else>{{ initials(name) }}</template>
  </span>
</template>

<style scoped>
.face {
  display: inline-grid;
  place-items: center;
  width: 28px;
  height: 28px;
  border: 1.5px solid var(--ink-2);
  border-radius: 50%;
  overflow: hidden;
  font-size: 10px;
  font-weight: 600;
  background: var(--sheet);
  color: var(--ink);
  flex: none;
}
.face.client {
  border-color: var(--client);
  color: var(--client);
}
.big {
  width: 64px;
  height: 64px;
  font-size: 20px;
}
img {
  width: 100%;
  height: 100%;
  object-fit: cover;
}
</style>
