<script setup lang="ts">
// The channels of a post in a row: the first few as their marks, the others as a number that names them.
import { computed } from 'vue'
import ChannelLogo from './ChannelLogo.vue'

const MOST = 3
const props = defineProps<{ channels: { name: string; network: string; initials: string }[] }>()
const shown = computed(() => (props.channels.length > MOST + 1 ? props.channels.slice(0, MOST) : props.channels))
const others = computed(() => props.channels.slice(shown.value.length).map((one) => one.name))
</script>

<template>
  <span class="marks">
    <ChannelLogo
      v-for="one in shown"
      :key="one.name"
      :network="one.network"
      :initials="one.initials"
      :name="one.name"
    />
    <span v-if="others.length > 0" role="img" :aria-label="`and ${others.join(', ')}`" :title="others.join(', ')"
      >+{{ others.length }}</span
    >
  </span>
</template>

<style scoped>
.marks {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  color: var(--ink-2);
}
</style>
