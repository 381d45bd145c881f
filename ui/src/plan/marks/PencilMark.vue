<script setup lang="ts">
// A pencil mark: something should go out here, and there is no content yet.
import { computed } from 'vue'
import { wallClock } from '@/api/time'
import ChannelLogo from '@/parts/ChannelLogo.vue'
import type { Mark } from './pencil'

const props = defineProps<{ mark: Mark; bare?: boolean }>()
defineEmits<{ open: [] }>()
const words = computed(() => props.mark.word || props.mark.label || '')
</script>

<template>
  <button type="button" class="pencil-mark" :class="{ due: mark.due }" @click="$emit('open')">
    <span class="hidden">Pencil mark{{ bare ? ` on ${mark.channel}` : '' }}</span>
    <ChannelLogo v-if="!bare" :network="mark.network" :initials="mark.initials" :name="mark.channel" class="small" />
    <span v-if="mark.clock" class="time">{{ wallClock(`2000-01-01T${mark.clock}`) }}</span>
    <svg v-if="mark.fixture_id" width="11" height="11" viewBox="0 0 11 11" role="img" aria-label="comes back">
      <path d="M9.3 4.2A4 4 0 1 0 9.4 7M9.6 1.6v2.8H6.8" fill="none" stroke="currentcolor" stroke-width="1.4" />
    </svg>
    <i>{{ words }}</i>
    <span v-if="mark.due" class="begin">begin</span>
    <span v-if="mark.word && mark.label" class="quiet">{{ mark.label }}</span>
  </button>
</template>

<style scoped>
.pencil-mark {
  display: flex;
  gap: 5px;
  align-items: center;
  width: 100%;
  min-height: 24px;
  margin: 2px 0;
  padding: 1px 6px;
  border: 1px dashed var(--ink-faint);
  border-radius: 2px;
  background: none;
  overflow: hidden;
  text-align: left;
  white-space: nowrap;
  cursor: pointer;
}
.pencil-mark:hover {
  background: var(--well);
}
i {
  overflow: hidden;
  text-overflow: ellipsis;
}
.due {
  border: 1px solid var(--ink);
}
svg {
  flex: none;
}
.begin {
  margin-left: auto;
  font-size: 12px;
  font-weight: 600;
}
.time,
.quiet {
  font-size: 12px;
  color: var(--ink-2);
}
.quiet {
  margin-left: auto;
}
</style>
