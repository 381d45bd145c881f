<script setup lang="ts">
// The lines of a menu, fetched when it opens.
import { Menu, MenuItem } from 'ant-design-vue'

export interface MenuLine {
  key: string
  words: string
  /** Why it cannot be chosen now. */
  off?: string
}
defineProps<{ lines: MenuLine[] }>()
const emit = defineEmits<{ choose: [key: string] }>()
</script>

<template>
  <Menu @click="({ key }) => emit('choose', String(key))">
    <MenuItem v-for="one in lines" :key="one.key" :disabled="!!one.off">
      {{ one.words }}<span v-if="one.off" class="why">{{ one.off }}</span>
    </MenuItem>
  </Menu>
</template>

<style scoped>
.why {
  display: block;
  max-width: 260px;
  white-space: normal;
  color: var(--ink-2);
}
</style>
