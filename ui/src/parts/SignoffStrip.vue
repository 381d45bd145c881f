<script setup lang="ts">
// A post's row of stamps, one for each step of its route, with whose turn it is and for how long.
import { computed } from 'vue'
import type { Schemas } from '@/api/client'
import { age } from '@/api/time'
import { initials } from '@/api/words'
import StampMark from './StampMark.vue'

const props = defineProps<{ strip: Schemas['Stamp'][]; now?: string; size?: number }>()
const waits = computed(() => props.strip.find((stamp) => stamp.state === 'asked'))
</script>

<template>
  <span class="strip" role="group" aria-label="Sign-off">
    <template v-for="(stamp, index) in strip" :key="stamp.step_id">
      <span v-if="index > 0" class="joint" aria-hidden="true" />
      <StampMark :stamp="stamp" :size="size" />
    </template>
    <span v-if="waits && waits.since && now" class="waits" :class="waits.side"
      >{{ waits.who.map(initials).join(' ') }} {{ age(waits.since, now) }}</span
    >
  </span>
</template>

<style scoped>
.strip {
  display: inline-flex;
  align-items: center;
  white-space: nowrap;
}
.joint {
  width: 6px;
  height: 1px;
  margin: 0 1px;
  background: var(--ink-faint);
}
.waits {
  margin-left: 6px;
  font-size: 12px;
  font-weight: 600;
  color: var(--internal);
}
.waits.client {
  color: var(--client);
}
</style>
